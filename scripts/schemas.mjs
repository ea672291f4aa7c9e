// Writes the published JSON Schema of the sheet format from the shapes that read it, so that the two cannot differ.
import { writeFileSync } from 'node:fs'
import { at } from './shared.mjs'
import { sheetSchema } from '../packages/core/dist/index.js'

writeFileSync(
  at('docs', 'formats', 'plumb-mark-sheet-1.schema.json'),
  `${JSON.stringify(sheetSchema(), null, 2)}\n`,
)
