import type { JobSummary } from '@plumb-mark/contract'
import { isOpen, waitingFor, type Inspection, type Severity } from '@plumb-mark/core'

/** What a list shows of a job beside its own row. */
export type SummaryFacts = Omit<JobSummary, 'id' | 'number' | 'changedAt'>

/** Rows of an earlier version say too little: they are made anew when the job is listed. Raised with every change of what they hold. */
export const SUMMARY_VERSION = 1

const NAMELESS = { title: '', site: '', customer: '' }

/** What follows from a judged job for the lists. */
export function summaryOf(inspection: Inspection): SummaryFacts {
  const { state, defects, checks } = inspection
  const { title, site, customer } = state.header ?? NAMELESS
  const { owed, words } = waitingFor(inspection)
  const count = (severity: Severity) =>
    defects.filter((defect) => defect.severity === severity && isOpen(defect)).length
  const left: Record<string, number> = {}
  for (const { check, outcome } of checks)
    if (outcome.verdict === 'not-inspected') left[check.stage] = (left[check.stage] ?? 0) + 1
  return {
    title,
    site,
    customer,
    left,
    waitingFor: words,
    owed,
    sealed: state.seal !== undefined,
    open: { stop: count('stop'), major: count('major'), minor: count('minor'), note: count('note') },
  }
}

/** A job that nothing more can be said of than what stands in its header. */
export const unjudged = (
  header: { title: string; site: string; customer: string } | undefined,
  sealed: boolean,
): SummaryFacts => {
  const { title, site, customer } = header ?? NAMELESS
  return {
    title,
    site,
    customer,
    left: {},
    owed: [],
    waitingFor: 'somebody to put right what cannot be judged',
    problem: 'this job cannot be judged: open it to see and correct what was entered; the fault is logged',
    sealed,
    open: { stop: 0, major: 0, minor: 0, note: 0 },
  }
}
