import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { CALCULATOR_NAMES } from '@plumb-mark/core'
import { format } from 'prettier'
import { guideText } from './guide.js'
import { searched } from './texts.js'

const GUIDE = 'docs/guide/README.md'

it('docs/guide is what the program says of itself (npm run guide writes it)', async () => {
  const text = await format(guideText(), { parser: 'markdown', printWidth: 110 })
  if (process.env['GUIDE'] === 'write') {
    mkdirSync('docs/guide', { recursive: true })
    writeFileSync(GUIDE, text)
  }
  expect(readFileSync(GUIDE, 'utf8')).toBe(text)
})

it('no text says how the program is built', () => {
  expect(guideText()).not.toMatch(/\b(React|server-side|database|TypeScript|JSON|API|component|endpoint)\b/)
})

it.each([
  ['cold morning', 'The coldest morning'],
  ['transformer phase', 'Current transformers and phases'],
  ['spreadsheet', 'Import'],
  ['second reader', 'Sign-off'],
])('“%s” leads to %s', (words, title) => {
  const found = searched(words).flatMap(({ texts }) => texts.map((one) => one.title))
  expect(found).toContain(title)
})

it('every calculator has a paragraph', () => {
  const [chapter] = searched('').filter(({ title }) => title === 'Calculators')
  expect(chapter!.texts).toHaveLength(CALCULATOR_NAMES.length)
})
