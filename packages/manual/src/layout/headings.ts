import type { Piece } from '../page/page.js'
import { SUBHEADING, type Row } from './rows.js'

export interface Heading {
  /** As printed, without the word before it: "4.2", "2-3", "E"; empty where there is none. */
  number: string
  title: string
  /** How deep it stands: 1 for a chapter. */
  depth: number
  size: number
}

const NUMBER = String.raw`\d{1,2}(?:[.\-–]\d{1,2}){0,3}|[A-Z](?:[.\-–]?\d{1,2}){0,3}|[IVX]{1,5}`
const WORD = String.raw`(?:Chapter|Section|Part|Appendix|Annex|Card|Sheet|Question|Clause|Article|Step|Unit|Topic|Leaf|Page|Lesson|§)`
const NUMBERED = new RegExp(String.raw`^(?:${WORD}\s*)?(${NUMBER})(?:[.:)]|\s[–—-])?\s+(\S.*)$`)
const BY_WORD = new RegExp(String.raw`^${WORD}\s*(?:${NUMBER})\b`)

const bare = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '')
export const textOf = (row: Row): string =>
  row.cells.map(({ lines }) => lines.map(({ text }) => text).join(' ')).join(' ')

/** The list of contents: which number has which title. Its own rows are no text of the manual. */
export interface Contents {
  titles: ReadonlyMap<string, string>
  rows: ReadonlySet<Row>
}

const LEADERS = /(?:\s*[.·…]){4,}\s*/g
const ENTRY = new RegExp(String.raw`^(?:${WORD}\s*)?(${NUMBER})[.:)]?\s+(\S.*?)[\s.·…]+(\d{1,3})$`)

/** The pages on which most lines are a number, a title and a page. */
export function contentsOf(rows: readonly Row[]): Contents {
  const titles = new Map<string, string>()
  const found = new Set<Row>()
  for (const page of new Set(rows.map((row) => row.page))) {
    const onPage = rows.filter((row) => row.page === page && !LEADER.test(textOf(row)))
    const entries = onPage.flatMap((row) => entriesOf(row).map((entry) => ({ row, entry })))
    if (entries.length < 5 || entries.length < 0.5 * onPage.length) continue
    for (const row of rows) if (row.page === page) found.add(row)
    for (const { entry } of entries) titles.set(bare(entry.title), entry.number)
  }
  return { titles, rows: found }
}
const LEADER = /^[\s.·…]*$/

/** Entries of a row: one, or one a line where two were set close. */
function entriesOf(row: Row): { number: string; title: string }[] {
  const cells = row.cells.filter(({ lines }) => !lines.every(({ text }) => LEADER.test(text)))
  const byLine = cells
    .flatMap(({ lines }) => lines.map(({ text }) => ENTRY.exec(clean(text))))
    .flatMap((entry) => (entry ? [{ number: entry[1]!, title: entry[2]! }] : []))
  if (byLine.length > 0) return byLine
  const whole = ENTRY.exec(clean(cells.map(({ lines }) => lines.map(({ text }) => text).join(' ')).join(' ')))
  return whole ? [{ number: whole[1]!, title: whole[2]! }] : []
}
const clean = (text: string) => text.replace(LEADERS, ' ').trim()

/** What the letters of a document look like: the size of its text, and whether it tells bold from plain. */
export function bodySize(pieces: readonly Piece[]): number {
  const letters = new Map<number, number>()
  for (const { size, text } of pieces) {
    const key = Math.round(size * 4) / 4
    letters.set(key, (letters.get(key) ?? 0) + text.length)
  }
  return [...letters].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 10
}

/** Is a line a heading, and which? By the contents, by its size or by bold type with a number. */
export function headingOf(lines: readonly Piece[], body: number, contents: Contents): Heading | undefined {
  const text = lines.map((line) => line.text).join(' ')
  if (lines.length > 3 || text.length > 110 || /\b(?:Table|Tab\.|Figure|Fig\.)\s*\d/.test(text))
    return undefined
  const size = Math.max(...lines.map((line) => line.size))
  const numbered = NUMBERED.exec(text)
  // What was seen in a picture differs in size from line to line.
  const large = lines.every((one) => one.size > (one.seen ? 1.25 : 1.1) * body)
  const bold =
    lines.every((line) => line.bold) || (lines.length === 1 && lines[0]!.seen && SUBHEADING.test(text))
  if (numbered) {
    const [, number, title] = numbered as unknown as [string, string, string]
    const listed = contents.titles.get(bare(title))
    const isListed = listed !== undefined && bare(listed) === bare(number)
    if (isListed || ((large || bold) && !/[.;,]$/.test(title) && isPlausible(number, title, text)))
      return { number, title, depth: depthOf(number), size }
    return undefined
  }
  const listed = contents.titles.get(bare(text))
  if (listed !== undefined && (large || bold))
    return { number: listed, title: text, depth: depthOf(listed), size }
  const grand = large && (bold || lines.every((one) => one.size > 1.3 * body))
  if (grand && /\p{L}{3}/u.test(text) && !/[.;,]$/.test(text) && !SIGNAL.test(text))
    return { number: '', title: text, depth: 9, size }
  return undefined
}

/** Words over a warning: they begin no chapter. */
const SIGNAL =
  /^(?:danger|warning|caution|attention|notice|note|important|tip|hint|info(?:rmation)?|stop)\b[.!:]*$/i

/** "5 Mounting", "A Terms", "Card 3 …": a figure with a unit, "4 mm²", is none. */
const isPlausible = (number: string, title: string, whole: string) =>
  /^["“(]?\p{Lu}/u.test(title) && (BY_WORD.test(whole) || title.length > 2) && !/^[A-Z]$/.test(number + title)

const depthOf = (number: string) => number.split(/[.\-–]/).filter(Boolean).length
