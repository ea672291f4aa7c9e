import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import type { CheckId, DefectId, JobId } from '@plumb-mark/core'

/** A remark that the reviewer has written and not sent yet. */
export interface RemarkDraft {
  id: string
  text: string
  about: string
  checkId?: CheckId
  defectId?: DefectId
}

interface RemarkDrafts {
  byJob: Readonly<Record<JobId, readonly RemarkDraft[]>>
  add(jobId: JobId, remark: RemarkDraft): void
  remove(jobId: JobId, id: string): void
  clear(jobId: JobId): void
}

/** Remarks are gathered while a record is read, and go back with it together. Kept on the device until then. */
export const useRemarkDrafts = create<RemarkDrafts>()(
  persist(
    (set) => {
      const change = (jobId: JobId, next: (own: readonly RemarkDraft[]) => readonly RemarkDraft[]) =>
        set(({ byJob }) => ({ byJob: { ...byJob, [jobId]: next(byJob[jobId] ?? []) } }))
      return {
        byJob: {},
        add: (jobId, remark) => change(jobId, (own) => [...own, remark]),
        remove: (jobId, id) => change(jobId, (own) => own.filter((one) => one.id !== id)),
        clear: (jobId) => change(jobId, () => []),
      }
    },
    { name: 'plumb-mark-remarks' },
  ),
)
