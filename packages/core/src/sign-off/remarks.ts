import type { JobState, Remark } from '../job/state.js'

/** Remarks of the reviewers that nobody has answered yet. */
export const openRemarks = ({ remarks }: Pick<JobState, 'remarks'>): readonly Remark[] =>
  remarks.filter(({ answered }) => !answered)

/** Entries that change nothing of what a second reader has read. */
const SAYS_NOTHING_OF_SITE: ReadonlySet<string> = new Set([
  'second-read',
  'shared',
  'unshared',
  'handed-over',
])

/** Was another person asked to read the record, and has not read what stands in it now? */
export function secondReadingOpen({
  secondReader,
  entered,
}: Pick<JobState, 'secondReader' | 'entered'>): boolean {
  if (!secondReader) return false
  const { read } = secondReader
  return !read || entered.some(({ seq, kind }) => seq > read.seq && !SAYS_NOTHING_OF_SITE.has(kind))
}
