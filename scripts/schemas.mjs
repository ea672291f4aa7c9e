// Writes the published JSON Schemas of the file formats from the shapes that read them, so that the two cannot differ.
import { writeFileSync } from 'node:fs'
import { at } from './shared.mjs'
import { archiveManifestSchema, inspectionSchema, sheetSchema } from '../packages/core/dist/index.js'

for (const schema of [sheetSchema(), inspectionSchema(), archiveManifestSchema()])
  writeFileSync(at('docs', 'formats', `${schema.$id}.schema.json`), `${JSON.stringify(schema, null, 2)}\n`)
