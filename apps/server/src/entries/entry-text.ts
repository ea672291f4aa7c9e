import { asEntry, type EntryRowValues } from '@plumb-mark/archive'
import { asTold, type ToldPart } from '@plumb-mark/core'

/** An entry as JSON, put together from the text that it is kept as: a long record is sent without being read. */
export function textOf(row: EntryRowValues, parts: readonly ToldPart[]): string {
  const { by, body, said, received, ...plain } = row
  const told = parts.length === 0 ? by : JSON.stringify(asTold([asEntry(row)], parts)[0]!.by)
  const times = { ...(said !== null && { said }), ...(received !== null && { received }) }
  return `${JSON.stringify({ ...plain, ...times }).slice(0, -1)},"by":${told as string},"body":${body as string}}`
}
