import type { Pattern, Severity } from '@plumb-mark/core'
import type { JobSummary } from '../jobs/views.js'

/** A part of the list of jobs, and how many there are of what was asked for. */
export interface JobPage {
  jobs: JobSummary[]
  total: number
  /** Jobs whose rows are being made anew since the program was renewed: until then they are found by little. */
  beingRead: number
  /** Why a search found nothing. */
  note?: string
}

/** A defect in the list over all jobs. */
export interface DefectRow {
  id: string
  jobId: string
  /** Of its job. */
  number: string
  job: string
  site: string
  checkId: string
  clause: string
  severity: Severity
  state: string
  open: boolean
  title: string
  place: string
  finding: string
  stage: string
  maker: string
  model: string
  revision: string
  installer: string
  raisedAt: string
  raisedBy: string
  /** As 2026-06-01; empty where nobody said. */
  due: string
  /** That day is over where the site is, and the defect is open. */
  overdue: boolean
  responsible: string
}

/** An open defect that is due on a day. */
export type DueDefect = Pick<
  DefectRow,
  'id' | 'jobId' | 'number' | 'site' | 'title' | 'place' | 'due' | 'responsible'
>

export interface DefectPage {
  defects: DefectRow[]
  total: number
  /** Why a search found nothing. */
  note?: string
}

/** What comes back: in how many jobs, how often, and how much of it is open; the members that lead to the cases. */
export interface Recurring {
  key: string
  jobs: number
  defects: number
  open: number
  maker: string
  model: string
  revision: string
  clause: string
  installer: string
}

/** Something that was judged in several jobs, how often it failed, and whether that is more than chance. */
export interface PatternRow extends Pattern {
  /** Where in the walk it is judged, where it is one clause. */
  stage: string
}

export interface SavedFilter {
  id: string
  view: 'jobs' | 'defects'
  name: string
  query: string
}
