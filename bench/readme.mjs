import { readFileSync, writeFileSync } from 'node:fs'
import { format } from 'prettier'
import { at } from '../scripts/shared.mjs'
import { ms } from './reference.mjs'

const README = at('README.md')
/** What is measured, in the order of the README. */
export const SECTIONS = [
  'light',
  'core',
  'electrical',
  'job',
  'web',
  'tablet',
  'report',
  'manual',
  'nameplate',
  'hand',
  'first-week',
  'devices',
  'many',
  'load',
]
/** The campaign writes its figures itself. */
const ORDER = [...SECTIONS, 'campaign']
const begin = (section) => `<!-- measured: ${section} -->`
const end = (section) => `<!-- end of ${section} -->`

/** Puts the figures of one section between its marks in the README, with the day and the reference loop; those of other sections stay. */
export async function writeFigures(section, rows, { loop, day }) {
  const lines = [
    `| ${section}, ${day}, reference loop ${ms(loop)} | measured | goal |`,
    '|---|---|---|',
    ...rows.map(([name, figure, goal]) => `| ${cell(name)} | ${cell(figure)} | ${cell(goal || '')} |`),
  ]
  const block = [begin(section), '', ...lines, '', end(section)].join('\n')
  const text = readFileSync(README, 'utf8')
  const [from, to] = [text.indexOf(begin(section)), text.indexOf(end(section))]
  if (from >= 0) return write(text.slice(0, from) + block + text.slice(to + end(section).length))
  const before = ORDER.slice(0, ORDER.indexOf(section)).reverse()
  const after = before.map(end).find((mark) => text.includes(mark)) ?? '<!-- figures -->'
  const place = text.indexOf(after)
  if (place < 0) throw new Error(`README.md has no ${after}`)
  const at = place + after.length
  return write(`${text.slice(0, at)}\n\n${block}${text.slice(at)}`)
}

const write = async (text) =>
  writeFileSync(README, await format(text, { parser: 'markdown', printWidth: 110 }))

const cell = (text) => String(text).trim().replaceAll('|', '\\|')
