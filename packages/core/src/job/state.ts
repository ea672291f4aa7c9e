import type { PhotosAligned } from './photos-aligned.js'
import { NOTHING_BUILT, type AsBuilt } from '../as-built/as-built.js'
import type { CheckId, DefectId, EntryId, PointId, RemarkId, WallId } from '../ids/ids.js'
import type { BadInput } from '../shape/bad-input.js'
import { instant } from '../shape/time.js'
import type {
  CalculationEntry,
  DefectRaisedEntry,
  DefectAmendedEntry,
  DefectStepEntry,
  EvidenceEntry,
  HandedOverEntry,
  ReplacedEntry,
  SecondReadEntry,
  SignedEntry,
} from './kept-whole.js'
import type { EntryWith } from './entry-with.js'
import type { EvidenceTarget } from './evidence-target.js'
import type { JobHeader } from './header.js'
import type { Person } from './person.js'

/** When something was entered: by its corrected time, and by its id where two agree. Neither depends on the order of arrival. */
export interface Moment {
  at: string
  id: EntryId
}

/** As the server and most devices write it: these compare as they are spelt. */
const PLAIN = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/

/** A time that cannot be read, in an old record, counts as the earliest of all. */
const timeOf = ({ at }: Moment): number => {
  const time = PLAIN.test(at) ? Date.parse(at) : instant(at)
  return Number.isNaN(time) ? -Infinity : time
}

export function isLater(a: Moment, b: Moment): boolean {
  const [timeA, timeB] = [timeOf(a), timeOf(b)]
  return timeA === timeB ? a.id > b.id : timeA > timeB
}

export type Evidence = EvidenceEntry & {
  /** The points of the one act that it belongs to, where several were seen on one walk. */
  walkedOver?: readonly PointId[]
  struck?: { by: Person; at: string; reason: string }
  /** What it was taken on; undefined where nothing stood there then. */
  on?: EvidenceTarget | undefined
}

export interface RaisedDefect {
  raised: DefectRaisedEntry
  steps: readonly DefectStepEntry[]
  /** What was said otherwise of it since, oldest first. */
  amended: readonly DefectAmendedEntry[]
  /** What stood on site when it was reworked last. */
  reworkedOn?: AsBuilt
}

/** An entry that is kept and says nothing that could be read: its place, and what is wrong with it. */
export interface UnreadableEntry {
  entry: EntryWith<unknown>
  problem: BadInput
}

/** When what was built was last entered. */
export interface LastChanged {
  units?: Moment
  array?: Moment
  earthing?: Moment
  network?: Moment
  walls: ReadonlyMap<WallId, Moment>
}

/** What a reviewer wants answered before they sign. */
export interface Remark {
  id: RemarkId
  text: string
  checkId?: CheckId | undefined
  defectId?: DefectId | undefined
  by: Person
  at: string
  answered?: { text: string; by: Person; at: string }
}

/** Another person who is to read the record before it is signed, and what they said of it. */
export interface SecondReader {
  person: Person
  askedBy: Person
  read?: SecondReadEntry
}

/** What the entries of a job add up to. */
export interface JobState {
  header: JobHeader | undefined
  asBuilt: AsBuilt
  /** By measuring point, oldest first; the last one that is not struck is in force. */
  evidence: ReadonlyMap<PointId, readonly Evidence[]>
  /** Points of which somebody said of a check that it does not apply. */
  notApplicableAt: ReadonlySet<PointId>
  lastChanged: LastChanged
  defects: ReadonlyMap<DefectId, RaisedDefect>
  calculations: readonly CalculationEntry[]
  /** Units and devices that were replaced by others, oldest first. */
  replacements: readonly ReplacedEntry[]
  /** How photos were laid on each other. */
  aligned: readonly PhotosAligned[]
  sharedWith: readonly Person[]
  unreadable: readonly UnreadableEntry[]
  /** What the reviewers wanted answered, oldest first. */
  remarks: readonly Remark[]
  secondReader: SecondReader | undefined
  /** The last time that the installation was received. */
  handedOver: HandedOverEntry | undefined
  seal: SignedEntry | undefined
  head: { seq: number; hash: string } | undefined
  /** Everything that was entered, in the order of time: what comes late is put in its place. */
  entered: readonly EntryWith<unknown>[]
  /** Entries that speak of something which is not there yet, by its key: devices that worked apart may tell them first. */
  waiting: ReadonlyMap<string, readonly EntryWith<unknown>[]>
  /** The state up to where something came late, to go on from when more does. */
  upTo?: JobState | undefined
}

/** A state that is being put together; whoever made it owns it until it is handed on. */
export interface Draft extends JobState {
  evidence: Map<PointId, readonly Evidence[]>
  notApplicableAt: Set<PointId>
  lastChanged: LastChanged & { walls: Map<WallId, Moment> }
  defects: Map<DefectId, RaisedDefect>
  waiting: Map<string, readonly EntryWith<unknown>[]>
  /** Entries whose thing has just come. */
  due: EntryWith<unknown>[]
  /** Lists that were made for this draft: nobody else has seen them, and what comes next may be put at their end. */
  own: WeakSet<readonly Evidence[]>
}

export const NOTHING_ENTERED: JobState = {
  header: undefined,
  asBuilt: NOTHING_BUILT,
  evidence: new Map(),
  notApplicableAt: new Set(),
  lastChanged: { walls: new Map() },
  defects: new Map(),
  calculations: [],
  replacements: [],
  aligned: [],
  sharedWith: [],
  unreadable: [],
  remarks: [],
  secondReader: undefined,
  handedOver: undefined,
  seal: undefined,
  head: undefined,
  entered: [],
  waiting: new Map(),
}

/** A copy that may be changed; what stands in the state itself never is, so it is shared. */
export function draftOf(state: JobState): Draft {
  const { evidence, notApplicableAt, lastChanged, defects, waiting } = state
  return {
    ...state,
    evidence: new Map(evidence),
    notApplicableAt: new Set(notApplicableAt),
    lastChanged: { ...lastChanged, walls: new Map(lastChanged.walls) },
    defects: new Map(defects),
    waiting: new Map(waiting),
    due: [],
    own: new WeakSet(),
  }
}

/** The evidence in force at a point: the latest that was not struck out. */
export function inForce(rows: readonly Evidence[] | undefined): Evidence | undefined {
  return rows?.findLast(({ struck }) => !struck)
}

/**
 * What was last read or seen at a point. That one check of it does not apply takes away no reading: it answers that check, and says nothing
 * to whatever else is read there.
 */
export function answerInForce(rows: readonly Evidence[] | undefined): Evidence | undefined {
  return rows?.findLast(({ struck, kind }) => !struck && kind !== 'not-applicable')
}

/** Finds evidence by its entry. */
export function evidenceBy(id: EntryId, { evidence }: Pick<JobState, 'evidence'>): Evidence | undefined {
  for (const rows of evidence.values()) {
    const found = rows.find((row) => row.id === id)
    if (found) return found
  }
  return undefined
}

/** Puts an entry aside until what it speaks of is there. */
export function waitFor(draft: Draft, key: string, entry: EntryWith<unknown>): void {
  draft.waiting.set(key, [...(draft.waiting.get(key) ?? []), entry])
}

/** What somebody waited for is there now. */
export function arrived(draft: Draft, key: string): void {
  const waiting = draft.waiting.get(key)
  if (!waiting) return
  draft.waiting.delete(key)
  draft.due.push(...waiting)
}
