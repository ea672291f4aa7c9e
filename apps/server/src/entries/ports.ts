import type { EntityManager } from 'typeorm'
import type { RecordRowValues } from '@plumb-mark/archive'
import type {
  ArchivedPhoto,
  ArchivedTrace,
  Attestation,
  Entry,
  Inspection,
  JobHeader,
  JobId,
  JobState,
  NewEntry,
  Person,
  Sheet,
} from '@plumb-mark/core'

/** Who opened a job, and with whom it is shared. */
export type JobPeople = Pick<JobState, 'entered' | 'sharedWith'>

/** What the keeping of entries needs from the features above it; each is filled in `admission/`. */

/** What an entry must be before it is kept: admitted by core, and speaking only of what is here. Refuses by throwing. */
export abstract class EntryGuard {
  /** May this person enter anything into the job, an entry, a photo, a trace? */
  abstract requireMayEnter(person: Person, people: () => Promise<JobPeople>): Promise<void>

  /** `whereDone` gives the job as the device of this person knew it; undefined where that is how it stands. */
  abstract requireAdmitted(
    entry: NewEntry,
    person: Person,
    jobId: JobId,
    inspection: Inspection,
    whereDone: () => Promise<Inspection | undefined>,
  ): Promise<void>
}

/** The sheets by which a job is judged, or was. */
export abstract class SheetLibrary {
  abstract pinnedBy(
    header: Pick<JobHeader, 'sheets' | 'replaced'> | undefined,
  ): Promise<ReadonlyMap<string, Sheet>>
}

/** A record from elsewhere, opened: what it says, and what is wrong with it by now. */
export interface OpenRecord {
  row: RecordRowValues
  entries: readonly Entry[]
  state: JobState
  sheets: ReadonlyMap<string, Sheet>
  photos: ReadonlyMap<string, ArchivedPhoto>
  traces: ReadonlyMap<string, ArchivedTrace>
  broken: readonly string[]
}

/** Records from elsewhere that are kept to be read, beside our jobs. */
export abstract class ForeignRecords {
  abstract find(id: string): Promise<RecordRowValues | undefined>
  abstract read(row: RecordRowValues): Promise<OpenRecord>
}

/** The word of this installation that the chain of a job ends in an entry. */
export abstract class Attestor {
  abstract attest(jobId: string, last: Pick<Entry, 'seq' | 'hash'>): Attestation
}

/** What was appended to a job, and how it was judged before and after. */
export interface AppendedToJob {
  jobId: JobId
  openedAt: string
  changedAt: string
  entries: readonly Entry[]
  before: Inspection
  after: Inspection
}

/** Rows that follow from entries, written in the transaction that keeps them. */
export abstract class EntryProjections {
  abstract write(transaction: EntityManager, appended: AppendedToJob): Promise<void>
}
