import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { fold, inspect, readInspectionFile, sheetsById, type Entry, type Inspection } from '@plumb-mark/core'
import type { Block, Cell, Part } from './block.js'
import type { ReportRecord } from './record.js'

export const HATCHERY = 'PM-2611'
export const LABORATORY = 'PM-2598'
export const OBSERVATORY = 'PM-2618'

/** A job of the samples of before, with entries put after its last one. */
export function jobOfBefore(number: string, ...more: { kind: string; body: object }[]): Inspection {
  const file = gunzipSync(readFileSync(`samples/before/${number}.json.gz`)).toString()
  const { entries, sheets } = readInspectionFile(JSON.parse(file))
  const last = entries.at(-1)!
  const added = more.map(
    ({ kind, body }, i) =>
      ({
        ...last,
        id: `x${i}`,
        seq: last.seq + i + 1,
        at: new Date(Date.parse(last.at) + 60_000 * (i + 1)).toISOString(),
        kind,
        body,
      }) as Entry,
  )
  return inspect(fold([...entries, ...added]), sheetsById(sheets))
}

export const asReported = (inspection: Inspection, more: Partial<ReportRecord> = {}): ReportRecord => ({
  inspection,
  broken: [],
  keyFingerprint: 'abcd 0123',
  ...more,
})

/** Everything that can be read in it, in order, a line for each piece. */
export const textOf = (parts: readonly Part[]): string =>
  parts
    .flatMap(({ title, blocks }) => [title, ...blocks.flatMap(linesOf)])
    .join('\n')
    // A figure and its unit are never parted at the end of a line.
    .replace(/[\u00a0\u202f]/g, ' ')

export function linesOf(block: Block): string[] {
  switch (block.kind) {
    case 'heading':
    case 'text':
      return [block.text]
    case 'verdict':
      return [block.verdict, block.text]
    case 'facts':
      return block.rows.map(([label, value]) => `${label}: ${cellText(value)}`)
    case 'table':
      return [
        block.columns.map(({ head }) => head).join(' | '),
        ...block.rows.map((row) => row.map(cellText).join(' | ')),
      ]
    case 'list':
      return [...block.items]
    case 'drawing':
      return [block.alt, block.caption ?? '', block.svg]
    case 'photos':
      return block.photos.map(({ photo, label }) => `${label}: ${photo.caption ?? photo.id}`)
    case 'together':
      return block.blocks.flatMap(linesOf)
    case 'image':
      return [block.alt]
    case 'code':
      return [block.address, block.caption]
  }
}

export function cellText(cell: Cell): string {
  if (typeof cell === 'string') return cell
  if ('text' in cell) return cell.text
  if ('verdict' in cell) return cell.verdict
  if ('line' in cell) return cell.line.map((one) => (typeof one === 'string' ? one : one.text)).join('')
  return cell.map(cellText).join('; ')
}
