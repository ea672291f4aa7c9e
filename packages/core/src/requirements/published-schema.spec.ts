import { readFileSync } from 'node:fs'
import { sheetSchema } from './sheet.js'

it('the published JSON Schema says what the reader takes (npm run schemas writes it)', () => {
  expect(JSON.parse(readFileSync('docs/formats/plumb-mark-sheet-1.schema.json', 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(sheetSchema())),
  )
})
