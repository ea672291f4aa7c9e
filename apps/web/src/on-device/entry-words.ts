import { entryRow, type Inspection, type NewEntry } from '@plumb-mark/core'

/** What an entry says, with the name of its check as far as the job is at hand. */
export function entryWords({ kind, body }: NewEntry, inspection?: Inspection): string {
  const says = entryRow(kind)?.label ?? kind
  const point = 'point' in body ? (body as { point: string }).point : undefined
  const title = inspection?.checks.find(({ check }) => check.point === point)?.check.title ?? point
  const typed = 'typed' in body ? ` ${(body as { typed: string }).typed}` : ''
  return `${says}${typed}${title ? `, ${title}` : ''}`
}
