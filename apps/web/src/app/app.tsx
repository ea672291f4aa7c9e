import { Center, Spinner } from '@chakra-ui/react'
import type { CalculatorsDto } from '@plumb-mark/contract'
import { Suspense, useEffect } from 'react'
import { Navigate, Route, Routes, useLocation } from 'react-router'
import { WELCOME } from '../account/welcome-path.js'
import { useSession } from '../data/session.js'
import { CommandLine } from './command/command-line.js'
import { lazyView } from '../ui/lazy-view.js'
import { useResource } from '../data/resource.js'
import { usePreferences } from '../data/preferences.js'

const SignIn = lazyView('SignIn', () => import('../account/sign-in.js'))
const FirstAccount = lazyView('FirstAccount', () => import('../account/first-account.js'))
const Welcome = lazyView('Welcome', () => import('../account/welcome.js'))
const Jobs = lazyView('JobsView', () => import('../jobs/jobs-view.js'))
const TourBar = lazyView('TourBar', () => import('./tour/tour-bar.js'))
const JobFrame = lazyView('JobFrame', () => import('../walk/job-frame.js'))
const Walk = lazyView('WalkView', () => import('../walk/walk-view.js'))
const Defects = lazyView('DefectsView', () => import('../defects/defects-view.js'))
const AllDefects = lazyView('AllDefectsView', () => import('../defects/all-defects-view.js'))
const HandOver = lazyView('HandOverView', () => import('../hand-over/hand-over-view.js'))
const SignOff = lazyView('SignOffView', () => import('../sign-off/sign-off-view.js'))
const Calculators = lazyView('CalculatorsView', () => import('../calculators/calculators-view.js'))
const Preparation = lazyView('PreparationView', () => import('../preparation/preparation-view.js'))
const Wizard = lazyView('JobWizard', () => import('../preparation/job-wizard.js'))
const Sheets = lazyView('SheetsView', () => import('../sheets/sheets-view.js'))
const OneSheet = lazyView('SheetView', () => import('../sheets/sheet-view.js'))
const SheetEditor = lazyView('SheetEditorView', () => import('../sheets/editor/sheet-editor-view.js'))
const FromManual = lazyView('ManualView', () => import('../sheets/manual/manual-view.js'))
const Guided = lazyView('GuidedView', () => import('../sheets/manual/guided-view.js'))
const Start = lazyView('StartView', () => import('../start/start-view.js'))
const Help = lazyView('HelpView', () => import('../help/help-view.js'))
const Adoption = lazyView('AdoptionView', () => import('../sheets/adoption-view.js'))
const Instruments = lazyView('InstrumentsView', () => import('../instruments/instruments-view.js'))
const Password = lazyView('ChangePassword', () => import('../account/change-password.js'))
const JobData = lazyView('JobDataView', () => import('../exchange/job-data-view.js'))
const Practice = lazyView('PracticeView', () => import('../practice/practice-view.js'))
const Report = lazyView('ReportView', () => import('../report/report-view.js'))
const Import = lazyView('ImportView', () => import('../exchange/import-view.js'))
const OnDevice = lazyView('OnDeviceView', () => import('../on-device/on-device-view.js'))
const Office = lazyView('OfficeView', () => import('../office/office-view.js'))
const Visits = lazyView('VisitsView', () => import('../visits/visits-view.js'))
const MarkSheet = lazyView('MarkSheetView', () => import('../photo-tape/mark-sheet-view.js'))
const Since = lazyView('ReinspectionView', () => import('../reinspection/reinspection-view.js'))
const Rework = lazyView('ReworkView', () => import('../rework/rework-view.js'))

const Wait = () => (
  <Center minH="60dvh" role="status" aria-label="Loading">
    <Spinner color="accent" />
  </Center>
)

/** Signing in; where nobody has an account yet, the first one is made instead. */
function WayIn() {
  const { value } = useResource<{ open: boolean }>('/api/first-account')
  return <Suspense fallback={<Wait />}>{value?.open ? <FirstAccount.View /> : <SignIn.View />}</Suspense>
}

/** Whoever is not signed in signs in; the calculators answer everybody where the office allows it. */
function Stranger({ pathname }: { pathname: string }) {
  const asked = pathname.startsWith('/calculators')
  const { value, problem } = useResource<CalculatorsDto>('/api/office/calculators')
  if (asked && !value && !problem) return <Wait />
  if (!asked || !value?.open) return <WayIn />
  return (
    <Suspense fallback={<Wait />}>
      <Routes>
        <Route path="/calculators/:name?" element={<Calculators.View />} />
      </Routes>
    </Suspense>
  )
}

export function App() {
  const { pathname } = useLocation()
  const { person, ask } = useSession()
  useEffect(() => void ask(), [ask])
  // The workspace is fetched while the list is being read: it is what comes next.
  useEffect(() => {
    if (person) setTimeout(() => void Promise.all([JobFrame.load(), Walk.load()]), 200)
  }, [person])
  useSending(person !== null && person !== undefined)
  const onTour = usePreferences(({ tourAt }) => tourAt !== undefined)
  if (person === undefined) return <Wait />
  if (pathname === WELCOME)
    return (
      <Suspense fallback={<Wait />}>
        <Welcome.View />
      </Suspense>
    )
  if (person === null) return <Stranger pathname={pathname} />
  return (
    <Suspense fallback={<Wait />}>
      <CommandLine />
      <Routes>
        <Route path="/jobs" element={<Jobs.View />} />
        <Route path="/jobs/new" element={<Wizard.View />} />
        <Route path="/jobs/:jobId" element={<JobFrame.View />}>
          <Route index element={<Navigate to="walk" replace />} />
          <Route path="walk/:stage?" element={<Walk.View />} />
          <Route path="defects" element={<Defects.View />} />
          <Route path="hand-over" element={<HandOver.View />} />
          <Route path="sign-off" element={<SignOff.View />} />
          <Route path="rework" element={<Rework.View />} />
          <Route path="since" element={<Since.View />} />
          <Route path="data" element={<JobData.View />} />
          <Route path="report" element={<Report.View />} />
          <Route path="preparation" element={<Preparation.View />} />
          <Route path="adopt/:fromId/:toId" element={<Adoption.View />} />
        </Route>
        <Route path="/calculators/:name?" element={<Calculators.View />} />
        <Route path="/sheets" element={<Sheets.View />} />
        <Route path="/sheets/new" element={<SheetEditor.View />} />
        <Route path="/sheets/from-manual" element={<FromManual.View />} />
        <Route path="/sheets/without-manual" element={<Guided.View />} />
        <Route path="/sheets/:id" element={<OneSheet.View />} />
        <Route path="/sheets/:id/edit" element={<SheetEditor.View />} />
        <Route path="/instruments" element={<Instruments.View />} />
        <Route path="/password" element={<Password.View />} />
        <Route path="/import" element={<Import.View />} />
        <Route path="/device" element={<OnDevice.View />} />
        <Route path="/defects" element={<AllDefects.View />} />
        <Route path="/office/:part?" element={<Office.View />} />
        <Route path="/visits" element={<Visits.View />} />
        <Route path="/photo-sheet" element={<MarkSheet.View />} />
        <Route path="/start" element={<Start.View />} />
        <Route path="/help" element={<Help.View />} />
        <Route path="/practice" element={<Practice.View />} />
        <Route path="*" element={<Navigate to="/jobs" replace />} />
      </Routes>
      {onTour && <TourBar.View />}
    </Suspense>
  )
}

/** Sends what waits on this device as long as somebody is signed in; what does it is fetched after the first view. */
function useSending(signedIn: boolean): void {
  useEffect(() => {
    if (!signedIn) return
    let left = false
    let stop: (() => void) | undefined
    void import('../job/send-others.js').then(({ keepSending }) => {
      if (!left) stop = keepSending()
    })
    return () => {
      left = true
      stop?.()
    }
  }, [signedIn])
}
