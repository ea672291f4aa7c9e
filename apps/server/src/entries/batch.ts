import {
  applied,
  entryRow,
  inspect,
  inspectNext,
  knownWhereDone,
  pointsNext,
  type Entry,
  type EntryKind,
  type Inspection,
  type JobState,
  type NewEntry,
  type PersonId,
  type Sheet,
} from '@plumb-mark/core'
import { foldInTurns } from './fold-in-turns.js'

/** The entries of a job as they stand, and what they come to, with whoever wrote elsewhere as told by that installation. */
export interface OpenJob {
  entries: readonly Entry[]
  inspection: Inspection
}

/** A job while a batch is appended to it: judged on only when the next entry is weighed by something that
 * the last ones changed, and only as far as it is weighed by. */
export class Batch {
  private readonly entries: Entry[]
  private state: JobState
  private inspection: Inspection
  /** The same with what is asked by what was built since; not judged. */
  private points: Inspection
  private behind: 'nothing' | 'outcomes' | 'points' = 'nothing'
  /** The same as the device that sends it knew the job, once that is asked; undefined where nothing came between. */
  private elsewhere: Batch | undefined | 'not-asked' = 'not-asked'

  constructor(
    before: OpenJob,
    private readonly sheetsFor: (state: JobState) => Promise<ReadonlyMap<string, Sheet>>,
  ) {
    this.entries = [...before.entries]
    this.inspection = before.inspection
    this.points = before.inspection
    this.state = before.inspection.state
  }

  get last(): Entry | undefined {
    return this.entries.at(-1)
  }

  /** When the job was opened. */
  get opened(): string | undefined {
    return this.entries[0]?.at
  }

  async weighedFor(kind: EntryKind): Promise<Inspection> {
    const wanted = entryRow(kind)?.validatesAgainst
    if (wanted === 'outcomes') await this.catchUp()
    if (wanted === 'points') await this.catchUpPoints()
    return { ...(wanted === 'points' ? this.points : this.inspection), state: this.state }
  }

  /** The job without what others did that had not reached the device. */
  async whereDone(
    { kind, at }: NewEntry,
    knew: { person: PersonId; after: number | undefined },
  ): Promise<Inspection | undefined> {
    if (this.elsewhere === 'not-asked') {
      const entered = this.state.entered as readonly Entry[]
      const entries = knownWhereDone(entered, { ...knew, at })
      this.elsewhere = entries.length === entered.length ? undefined : await this.knowing(entries)
    }
    return this.elsewhere?.weighedFor(kind)
  }

  private async knowing(entries: readonly Entry[]): Promise<Batch> {
    const state = await foldInTurns(entries)
    return new Batch({ entries, inspection: inspect(state, await this.sheetsFor(state)) }, this.sheetsFor)
  }

  async judged(): Promise<OpenJob> {
    await this.catchUp()
    return { entries: this.entries, inspection: this.inspection }
  }

  add(entry: Entry): void {
    if (this.elsewhere !== 'not-asked') this.elsewhere?.add(entry)
    this.entries.push(entry)
    this.state = applied(this.state, [entry])
    // What is built makes points; evidence and defects only change what comes of them.
    const makesPoints = entryRow(entry.kind)?.validatesAgainst === 'state'
    this.behind = makesPoints || this.behind === 'points' ? 'points' : 'outcomes'
  }

  private async catchUp(): Promise<void> {
    if (this.behind === 'nothing') return
    this.inspection = inspectNext(this.inspection, this.state, await this.sheetsFor(this.state))
    this.points = this.inspection
    this.behind = 'nothing'
  }

  private async catchUpPoints(): Promise<void> {
    if (this.behind !== 'points') return
    this.points = pointsNext(this.points, this.state, await this.sheetsFor(this.state))
    this.behind = 'outcomes'
  }
}
