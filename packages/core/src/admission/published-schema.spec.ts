import { readFileSync } from 'node:fs'
import { sheetSchema } from '../requirements/sheet.js'
import { archiveManifestSchema } from './archive-manifest.js'
import { inspectionSchema } from './inspection-file.js'

it.each([sheetSchema(), inspectionSchema(), archiveManifestSchema()])(
  'the published schema of $title is what the reader reads (npm run schemas writes it)',
  (schema) => {
    const published: unknown = JSON.parse(
      readFileSync(`docs/formats/${String(schema['$id'])}.schema.json`, 'utf8'),
    )
    expect(published).toEqual(JSON.parse(JSON.stringify(schema)))
  },
)
