import { v7 as uuid } from 'uuid'
import { create } from 'zustand'
import type { JobBundle, SheetInLibrary } from '@plumb-mark/contract'
import {
  fold,
  inspect,
  inspectDraft,
  sheetId,
  type AsBuilt,
  type Entry,
  type EntryBodies,
  type EntryKind,
  type Inspection,
  type Instrument,
  type NewEntry,
  type Person,
  type PinnedSheet,
  type Sheet,
} from '@plumb-mark/core'
import { get as fetchJson } from '../http/api.js'
import { addToOutbox, sendNext, waiting } from './outbox.js'

export type Sync = 'kept' | 'sending' | 'waiting'

interface OpenInspection {
  jobId: string | undefined
  entries: readonly Entry[]
  sheets: ReadonlyMap<string, Sheet>
  instruments: readonly Instrument[]
  /** Judged from the entries, and from the draft where somebody is typing. */
  inspection: Inspection | undefined
  draft: AsBuilt | undefined
  /** Judged from the entries alone: what a draft is tried out against. */
  kept: Inspection | undefined
  sync: Sync
  /** Why the server did not keep the last entry, in words. */
  refusal: string | undefined
  problem: string | undefined
  open(jobId: string): Promise<void>
  /** Appends entries: shown and judged at once, kept on this device until the server has them. */
  append(by: Person, ...entries: { [K in EntryKind]: { kind: K; body: EntryBodies[K] } }[EntryKind][]): void
  /** Fetches a sheet of the library into the open job, so that an entry can pin it; answers with what is pinned. */
  addSheet(id: string): Promise<PinnedSheet>
  tryOut(draft: AsBuilt | undefined): void
  dismissRefusal(): void
  flush(): Promise<void>
}

/** The entries judged, and the draft on top of them where there is one. */
function judged(
  entries: readonly Entry[],
  sheets: ReadonlyMap<string, Sheet>,
  draft?: AsBuilt,
): { kept: Inspection; inspection: Inspection } {
  const kept = inspect(fold(entries), sheets)
  return { kept, inspection: draft ? inspectDraft(kept, draft) : kept }
}

/** The open job, whole. Everything on screen is worked out from it by core. */
export const useInspection = create<OpenInspection>((set, get) => ({
  jobId: undefined,
  entries: [],
  sheets: new Map(),
  instruments: [],
  inspection: undefined,
  draft: undefined,
  kept: undefined,
  sync: 'kept',
  refusal: undefined,
  problem: undefined,

  async open(jobId) {
    if (get().jobId !== jobId)
      set({
        jobId,
        inspection: undefined,
        kept: undefined,
        entries: [],
        draft: undefined,
        problem: undefined,
        refusal: undefined,
      })
    try {
      const bundle = await fetchJson<JobBundle>(`/api/jobs/${jobId}`)
      const sheets = new Map(bundle.sheets.map((sheet) => [sheetId(sheet), sheet]))
      const unsent = waiting(jobId).filter(({ id }) => !bundle.entries.some((entry) => entry.id === id))
      const entries = [
        ...bundle.entries,
        ...unsent.map((entry, i) => provisional(entry, jobId, bundle.entries.length + i + 1, NOBODY)),
      ]
      set({
        jobId,
        sheets,
        instruments: bundle.instruments,
        entries,
        ...judged(entries, sheets),
        draft: undefined,
        problem: undefined,
      })
      void get().flush()
    } catch (problem) {
      set({ problem: (problem as Error).message })
    }
  },

  append(by, ...made) {
    const { jobId, entries, sheets } = get()
    if (!jobId) return
    const at = new Date().toISOString()
    const fresh = made.map(({ kind, body }) => ({ id: uuid(), kind, at, body }) as NewEntry)
    addToOutbox(jobId, fresh)
    const next = [
      ...entries,
      ...fresh.map((entry, i) => provisional(entry, jobId, entries.length + i + 1, by)),
    ]
    set({ entries: next, ...judged(next, sheets), draft: undefined, sync: 'sending' })
    void get().flush()
  },

  async addSheet(id) {
    const { sheet, fingerprint } = await fetchJson<SheetInLibrary>(`/api/sheets/${id}`)
    set({ sheets: new Map([...get().sheets, [id, sheet]]) })
    const { maker, model, revision } = sheet
    return { id, maker, model, revision, fingerprint }
  },
  tryOut(draft) {
    const { kept } = get()
    // The entries are as they were: whoever reads what is kept need not redraw.
    if (kept) set({ draft, inspection: draft ? inspectDraft(kept, draft) : kept })
  },

  dismissRefusal: () => set({ refusal: undefined }),

  async flush() {
    const { jobId } = get()
    if (!jobId || flushing) return
    flushing = true
    try {
      for (;;) {
        const sent = await sendNext(jobId)
        if (get().jobId !== jobId) return
        if (sent.kind === 'nothing') return set({ sync: 'kept' })
        if (sent.kind === 'unreachable') {
          set({ sync: 'waiting' })
          setTimeout(() => void get().flush(), RETRY_MS)
          return
        }
        const { entries, sheets, draft } = get()
        const next =
          sent.kind === 'kept'
            ? entries.map((entry) => (entry.id === sent.entry.id ? sent.entry : entry))
            : entries.filter(({ id }) => id !== sent.entry.id)
        set({
          entries: next,
          ...judged(next, sheets, draft),
          ...(sent.kind === 'refused' && { refusal: sent.problem.message }),
        })
      }
    } finally {
      flushing = false
    }
  },
}))

const RETRY_MS = 4000
let flushing = false
const NOBODY: Person = { id: '', name: 'this device', role: 'inspector' }

/** An entry that the server has not linked yet: in its place, without a hash. */
function provisional(entry: NewEntry, jobId: string, seq: number, by: Person): Entry {
  return { ...entry, jobId, seq, by, prev: '', hash: '' } as Entry
}

export const useJudged = (checkId: string) =>
  useInspection(({ inspection }) => inspection?.checks.find(({ check }) => check.id === checkId))
