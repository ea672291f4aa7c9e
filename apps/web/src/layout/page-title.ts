import { useEffect } from 'react'
import { useLocation } from 'react-router'
import { STAGE_TITLES } from '@plumb-mark/core'

const PROGRAM = 'Plumb Mark'

/** What stands at `/jobs/…/`; a view beside the jobs is called as it calls itself. */
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

/**
 * What the tab of the browser is called at an address: the view of a job, what is shown (`subject`: the job, the sheet, the page), and the
 * program. Two tabs of one job are told apart by their first word, which is what a narrow tab shows.
 */
export function pageTitle(pathname: string, subject?: string): string {
  const [section, , view = '', part = ''] = pathname.split('/').slice(1)
  const stage = view === 'walk' ? ownTitle(STAGE_TITLES, part) : undefined
  const name = section === 'jobs' ? (stage ?? ownTitle(OF_A_JOB, view)) : undefined
  return [name, subject, PROGRAM].filter(Boolean).join(' · ')
}

const ownTitle = (titles: Readonly<Record<string, string>>, key: string): string | undefined =>
  Object.hasOwn(titles, key) ? titles[key] : undefined

/** Names the tab of the browser after what is shown. */
export function usePageTitle(subject?: string): void {
  const { pathname } = useLocation()
  useEffect(() => {
    document.title = pageTitle(pathname, subject)
    // Whoever signs in next on this device does not read in the tab what the last one looked at.
    return () => {
      document.title = PROGRAM
    }
  }, [pathname, subject])
}
