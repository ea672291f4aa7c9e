import type { JobPage, PersonKept, ReportLook, SheetSummary } from '@plumb-mark/contract'
import type { Instrument } from '@plumb-mark/core'
import { useResource } from '../data/resource.js'

export type StartPart = 'rules' | 'people' | 'instruments' | 'sheets' | 'job'

/** Which of the five things are there: read from what the installation holds, so that it is true for whoever did them. */
export function useStarted(): Record<StartPart, boolean> {
  const { value: look } = useResource<ReportLook>('/api/office/report')
  const { value: people = [] } = useResource<PersonKept[]>('/api/office/people')
  const { value: instruments = [] } = useResource<Instrument[]>('/api/instruments')
  const { value: sheets = [] } = useResource<SheetSummary[]>('/api/sheets')
  const { value: jobs } = useResource<JobPage>('/api/jobs?limit=1')
  return {
    rules: (look?.letterhead.name ?? '') !== '',
    people: people.length > 1,
    instruments: instruments.length > 0,
    sheets: sheets.length > 0,
    job: (jobs?.total ?? 0) > 0,
  }
}
