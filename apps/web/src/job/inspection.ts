import { v7 as uuid } from 'uuid'
import { create } from 'zustand'
import type { JobBundle, SheetInLibrary } from '@plumb-mark/contract'
import {
  admit,
  applied,
  askedBy,
  fold,
  inspect,
  inspectDraft,
  inspectNext,
  sheetId,
  type AsBuilt,
  type Change,
  type CheckId,
  type Entry,
  type Inspection,
  type Instrument,
  type JobId,
  type JobState,
  type NewEntry,
  type Person,
  type PinnedSheet,
  type Sheet,
  type SheetId,
  type Signer,
} from '@plumb-mark/core'
import { get as fetchJson } from '../data/api.js'
import { fetchJob, rememberEntries } from '../offline/kept-jobs.js'
import { useSession } from '../data/session.js'
import { addToOutbox, sendNext, waiting } from '../offline/outbox.js'
import { isPracticeJob, keepInPractice, linkedHere } from '../offline/practice-job.js'
import { takeFromAside, type SetAside } from '../offline/set-aside.js'
import { withQueue } from '../offline/with-queue.js'

export type Sync = 'kept' | 'sending' | 'waiting'

interface OpenInspection {
  jobId: JobId | undefined
  entries: readonly Entry[]
  sheets: ReadonlyMap<string, Sheet>
  instruments: readonly Instrument[]
  /** Judged from the entries, and from the draft where somebody is typing. */
  inspection: Inspection | undefined
  draft: AsBuilt | undefined
  /** Judged from the entries alone: what a draft is tried out against. */
  committed: Inspection | undefined
  sync: Sync
  /** Why the server did not keep the last entry, in words. */
  refusal: string | undefined
  problem: string | undefined
  /** How far the clock of this device is ahead of the server's, ms, as far as it is known. */
  clockAhead: number
  /** What is broken in a sealed record, as the server found it. */
  broken: readonly string[]
  /** Of the key that signed the record, or with which the server would. */
  keyFingerprint: string
  /** Whose key that is, where it is not the server's. */
  signer: Signer | undefined
  /** Why nothing is added to it; undefined where it takes entries. */
  readOnly: string | undefined
  open(jobId: JobId): Promise<void>
  /**
   * Appends the entries of one step: weighed as the server will weigh them, shown and judged at once, kept on this device until the server
   * has them. False, with the reason in `refusal`, when they are not admitted: then nothing of them is kept, here or there.
   */
  append(by: Person, ...changes: Change[]): boolean
  /** Fetches a sheet of the library into the open job, so that an entry can pin it; answers with what is pinned. */
  addSheet(id: SheetId): Promise<PinnedSheet>
  /** Entries that others made meanwhile: put before what this device has not sent, without touching what is being typed. */
  takeIn(entries: readonly Entry[]): void
  preview(draft: AsBuilt | undefined): void
  dismissRefusal(): void
  flush(): Promise<void>
  /** What was set aside goes back into the queue, as it was or as it was mended, and is set aside no more. */
  sendAgain(aside: SetAside, entries?: readonly NewEntry[]): Promise<void>
}

/** The entries judged, and the draft on top of them where there is one. */
function judged(
  entries: readonly Entry[],
  sheets: ReadonlyMap<string, Sheet>,
  draft?: AsBuilt,
): Pick<OpenInspection, 'committed' | 'inspection'> {
  return withDraft(inspect(fold(entries), sheets), draft)
}

const withDraft = (committed: Inspection, draft: AsBuilt | undefined) => ({
  committed,
  inspection: draft ? inspectDraft(committed, draft) : committed,
})

/** The open job, whole. Everything on screen is worked out from it by core. */
export const useInspection = create<OpenInspection>((set, get) => ({
  jobId: undefined,
  entries: [],
  sheets: new Map(),
  instruments: [],
  inspection: undefined,
  draft: undefined,
  committed: undefined,
  sync: 'kept',
  refusal: undefined,
  problem: undefined,
  clockAhead: 0,
  broken: [],
  keyFingerprint: '',
  signer: undefined,
  readOnly: undefined,

  async open(jobId) {
    if (get().jobId !== jobId)
      set({
        jobId,
        inspection: undefined,
        committed: undefined,
        entries: [],
        draft: undefined,
        problem: undefined,
        refusal: undefined,
      })
    const show = async (bundle: JobBundle) => {
      const unsent = await waiting(jobId, personId())
      if (get().jobId !== jobId) return
      const sheets = new Map(bundle.sheets.map((sheet) => [sheetId(sheet), sheet]))
      const here = new Set(bundle.entries.map(({ id }) => id))
      const mine = unsent.filter(({ id }) => !here.has(id))
      const entries = [
        ...bundle.entries,
        ...mine.map((entry, i) => provisional(entry, jobId, bundle.entries.length + i + 1, NOBODY)),
      ]
      set({
        jobId,
        sheets,
        instruments: bundle.instruments,
        // What an earlier version kept on the device for work without signal does not say it.
        broken: (bundle as Partial<JobBundle>).broken ?? [],
        keyFingerprint: bundle.keyFingerprint,
        signer: bundle.signer,
        readOnly: bundle.readOnly,
        entries,
        // What is being typed stays when the same job is loaded anew.
        ...judged(entries, sheets, get().draft),
        problem: undefined,
      })
      void get().flush()
    }
    try {
      await show(await fetchJob(jobId, (late) => void show(late)))
    } catch (problem) {
      if (get().jobId === jobId) set({ problem: (problem as Error).message })
    }
  },

  append(by, ...changes) {
    const { jobId, entries, sheets, committed: judged, readOnly } = get()
    if (!jobId || !judged) return false
    if (readOnly !== undefined) {
      set({ refusal: readOnly })
      return false
    }
    const at = new Date().toISOString()
    const asked = changes.map((change) => askedBy(change, judged.state.asBuilt))
    const fresh = asked.map(({ kind, body }) => ({ id: uuid(), kind, at, body }) as NewEntry)
    const step = taken(fresh, by, jobId, judged, sheets)
    if (!step.ok) {
      set({ refusal: step.message })
      return false
    }
    const shown = {
      entries: [...entries, ...step.entries],
      ...withDraft(step.inspection, undefined),
      draft: undefined,
      refusal: undefined,
    }
    if (isPracticeJob(jobId)) {
      keepInPractice(step.entries)
      set({ ...shown, sync: 'kept' })
      return true
    }
    const kept = addToOutbox(jobId, by.id, fresh, knownUpTo(entries))
    set({ ...shown, sync: 'sending' })
    void kept.then(() => get().flush())
    return true
  },

  async addSheet(id) {
    const { sheet, fingerprint } = await fetchJson<SheetInLibrary>(`/api/sheets/${id}`)
    set({ sheets: new Map([...get().sheets, [id, sheet]]) })
    const { maker, model, revision } = sheet
    return { id, maker, model, revision, fingerprint }
  },
  takeIn(others) {
    const { jobId, entries, sheets, draft } = get()
    const here = new Set(entries.filter(isLinked).map(({ id }) => id))
    const fresh = others.filter(({ id }) => !here.has(id))
    if (fresh.length === 0 || !jobId) return
    // What was missed while the line was down, and a sheet that was adopted, are not here: the job is loaded anew with them.
    const missed = fresh[0]!.seq > here.size + 1
    if (missed || fresh.some(({ kind }) => kind === 'sheet-adopted')) return void get().open(jobId)
    void rememberEntries(fresh).catch(() => undefined)
    const ids = new Set(fresh.map(({ id }) => id))
    const linked = [...entries.filter(isLinked), ...fresh].sort((a, b) => a.seq - b.seq)
    const unsent = entries.filter((entry) => !isLinked(entry) && !ids.has(entry.id))
    const next = [...linked, ...unsent.map((entry, i) => ({ ...entry, seq: linked.length + i + 1 }) as Entry)]
    set({ entries: next, ...judged(next, sheets, draft) })
  },

  preview(draft) {
    const { committed } = get()
    // The entries are as they were: whoever reads what is kept need not redraw.
    if (committed) set({ draft, inspection: draft ? inspectDraft(committed, draft) : committed })
  },

  dismissRefusal: () => set({ refusal: undefined }),

  flush: () =>
    withQueue(async () => {
      const { jobId } = get()
      if (!jobId) return
      for (;;) {
        const sent = await sendNext(jobId, personId())
        if (get().jobId !== jobId) return
        if (sent.kind === 'nothing') return set({ sync: 'kept' })
        if (sent.kind === 'signed-out') useSession.getState().end()
        if (sent.kind === 'unreachable' || sent.kind === 'signed-out') {
          set({ sync: 'waiting' })
          setTimeout(() => void get().flush(), RETRY_MS)
          return
        }
        const { entries, sheets, draft, committed } = get()
        if (sent.kind === 'kept') {
          const linked = new Map(sent.entries.map((entry) => [entry.id, entry]))
          const next = entries.map((entry) => linked.get(entry.id) ?? entry)
          set({ entries: next, clockAhead: sent.clockAhead })
          if (entries.some(({ id, at }) => at !== (linked.get(id)?.at ?? at))) {
            // The clock of this device is off: what was entered stands at another time than it was shown.
            set(judged(next, sheets, draft))
            continue
          }
          // Nothing else is judged otherwise by being kept; only the head of the chain is known now.
          const head = next.findLast(isLinked)
          if (committed && head)
            set(withDraft({ ...committed, state: asKept(committed.state, linked, head) }, draft))
          continue
        }
        const gone = new Set(sent.entries.map(({ id }) => id))
        const next = entries.filter(({ id }) => !gone.has(id))
        set({ entries: next, ...judged(next, sheets, draft), refusal: sent.problem.message })
      }
    }),

  async sendAgain(aside, entries = aside.entries) {
    const { jobId, by } = aside
    if (get().jobId === jobId) set({ sync: 'sending' })
    await addToOutbox(jobId, by, entries)
    await takeFromAside(aside)
    if (get().jobId === jobId) await get().open(jobId)
  },
}))

/** Who is at this device; nobody while it is not known. */
const personId = (): string => useSession.getState().person?.id ?? ''

type Taken = { ok: true; entries: Entry[]; inspection: Inspection } | { ok: false; message: string }

/**
 * The entries of a step put on top of what is kept, one after the other, each weighed against what those
 * before it come to: all or none.
 */
function taken(
  fresh: readonly NewEntry[],
  by: Person,
  jobId: JobId,
  kept: Inspection,
  sheets: ReadonlyMap<string, Sheet>,
): Taken {
  const entries: Entry[] = []
  let inspection = kept
  for (const entry of fresh) {
    const answer = admit(entry, by.role, inspection, { by: by.id })
    if (!answer.ok) return answer
    const { head } = inspection.state
    const made = isPracticeJob(jobId)
      ? linkedHere(entry, by, head)
      : provisional(entry, jobId, (head?.seq ?? 0) + 1, by)
    entries.push(made)
    inspection = inspectNext(inspection, applied(inspection.state, [made]), sheets)
  }
  return { ok: true, entries, inspection }
}

/** Has the server put it into the chain? */
const isLinked = ({ hash }: Entry): boolean => hash !== ''

/** The last place in the job up to which everything has reached this device. */
function knownUpTo(entries: readonly Entry[]): number {
  const linked = entries.filter(isLinked)
  const gap = linked.findIndex(({ seq }, i) => seq !== i + 1)
  return gap === -1 ? linked.length : gap
}

/** The state with its entries as the server linked them. */
const asKept = (state: JobState, linked: ReadonlyMap<string, Entry>, { seq, hash }: Entry): JobState => ({
  ...state,
  head: { seq, hash },
  entered: state.entered.map((entry) => linked.get(entry.id) ?? entry),
})

const RETRY_MS = 4000
const NOBODY: Person = { id: '', name: 'this device', role: 'inspector' }

/** An entry that the server has not linked yet: in its place, without a hash. */
function provisional(entry: NewEntry, jobId: JobId, seq: number, by: Person): Entry {
  return { ...entry, jobId, seq, by, prev: '', hash: '' } as Entry
}

export const useJudged = (checkId: CheckId) =>
  useInspection(({ inspection }) => inspection && inspection.checks[inspection.at.byId.get(checkId) ?? -1])
