import { entryRow, type EntryKind } from '../job/entries/registry.js'
import type { Role } from '../job/person.js'
import type { JobState } from '../job/state.js'

/** How a job stands towards whoever would write into it. */
export interface Standing {
  seal?: JobState['seal']
  /** Imported to be read: it takes nothing here. */
  readOnly?: boolean
}

/**
 * May a person in this role write a kind of entry into the job at all? So that a screen offers only what can be done; what an entry says is
 * weighed by `admit`. Nobody may write what is no kind of entry.
 */
export const may = (
  kind: EntryKind,
  role: Role | undefined,
  { seal, readOnly = false }: Standing = {},
): boolean => role !== undefined && !seal && !readOnly && (entryRow(kind)?.writtenBy.includes(role) ?? false)
