import { useEffect } from 'react'
import { useLocation } from 'react-router'
import { STAGE_TITLES } from '@plumb-mark/core'

/** What stands at `/jobs/…/` and beside the jobs, in the words of their tabs. */
const OF_A_JOB: Readonly<Record<string, string>> = {
  walk: 'Walk',
  defects: 'Defects',
  'hand-over': 'Hand-over',
  'sign-off': 'Sign-off',
  rework: 'Rework',
  since: 'Since last time',
  data: 'Record',
  report: 'Report',
  preparation: 'Preparation',
  adopt: 'A newer sheet',
}
const BESIDE: Readonly<Record<string, string>> = {
  jobs: 'Jobs',
  calculators: 'Calculators',
  sheets: 'Sheets',
  instruments: 'Instruments',
  password: 'Password',
  import: 'Import',
  device: 'On this device',
  defects: 'Defects',
  office: 'Office',
  visits: 'Visits',
  'photo-sheet': 'Sheet of marks',
  start: 'First steps',
  help: 'Help',
  practice: 'Practice',
}

/**
 * What the tab of the browser is called at an address: the view, what it is of (`subject`: the job, the sheet), and the program. Two tabs of
 * one job are told apart by their first word, which is what a narrow tab shows.
 */
export function pageTitle(pathname: string, subject?: string): string {
  const [section = '', , view = '', part = ''] = pathname.split('/').slice(1)
  const stage = view === 'walk' ? ownTitle(STAGE_TITLES, part) : undefined
  const name = section === 'jobs' ? (stage ?? ownTitle(OF_A_JOB, view)) : undefined
  return [...new Set([name ?? ownTitle(BESIDE, section), subject, 'Plumb Mark'])].filter(Boolean).join(' · ')
}

const ownTitle = (titles: Readonly<Record<string, string>>, key: string): string | undefined =>
  Object.hasOwn(titles, key) ? titles[key] : undefined

/** Names the tab of the browser after what is shown. */
export function usePageTitle(subject?: string): void {
  const { pathname } = useLocation()
  useEffect(() => {
    document.title = pageTitle(pathname, subject)
  }, [pathname, subject])
}
