import { Center, Spinner } from '@chakra-ui/react'
import { Suspense, lazy, useEffect } from 'react'
import { Navigate, Route, Routes } from 'react-router'
import { SignIn } from './account/sign-in.js'
import { useSession } from './account/session.js'
import { JobsView } from './jobs/jobs-view.js'

const JobFrame = lazy(() => import('./inspection/job-frame.js').then(({ JobFrame: view }) => ({ default: view })))
const Walk = lazy(() => import('./inspection/walk-view.js').then(({ WalkView }) => ({ default: WalkView })))
const Defects = lazy(() => import('./defects/defects-view.js').then(({ DefectsView }) => ({ default: DefectsView })))
const SignOff = lazy(() => import('./sign-off/sign-off-view.js').then(({ SignOffView }) => ({ default: SignOffView })))
const Calculators = lazy(() => import('./calculators/calculators-view.js').then(({ CalculatorsView }) => ({ default: CalculatorsView })))
const Preparation = lazy(() => import('./preparation/preparation-view.js').then(({ PreparationView }) => ({ default: PreparationView })))
const Wizard = lazy(() => import('./preparation/job-wizard.js').then(({ JobWizard }) => ({ default: JobWizard })))
const Sheets = lazy(() => import('./sheets/sheets-view.js').then(({ SheetsView }) => ({ default: SheetsView })))
const OneSheet = lazy(() => import('./sheets/sheet-view.js').then(({ SheetView }) => ({ default: SheetView })))
const SheetEditor = lazy(() => import('./sheets/editor/sheet-editor-view.js').then(({ SheetEditorView }) => ({ default: SheetEditorView })))
const Adoption = lazy(() => import('./sheets/adoption-view.js').then(({ AdoptionView }) => ({ default: AdoptionView })))
const Instruments = lazy(() => import('./instruments/instruments-view.js').then(({ InstrumentsView }) => ({ default: InstrumentsView })))
const Visits = lazy(() => import('./visits/visits-view.js').then(({ VisitsView }) => ({ default: VisitsView })))
const Rework = lazy(() => import('./rework/rework-view.js').then(({ ReworkView }) => ({ default: ReworkView })))

const Wait = () => (
  <Center minH="60dvh" role="status" aria-label="Loading">
    <Spinner color="chalk" />
  </Center>
)

export function App() {
  const { person, ask } = useSession()
  useEffect(() => void ask(), [ask])
  if (person === undefined) return <Wait />
  if (person === null) return <SignIn />
  return (
    <Suspense fallback={<Wait />}>
      <Routes>
        <Route path="/jobs" element={<JobsView />} />
        <Route path="/jobs/new" element={<Wizard />} />
        <Route path="/jobs/:jobId" element={<JobFrame />}>
          <Route index element={<Navigate to="walk" replace />} />
          <Route path="walk/:stage?" element={<Walk />} />
          <Route path="defects" element={<Defects />} />
          <Route path="sign-off" element={<SignOff />} />
          <Route path="rework" element={<Rework />} />
          <Route path="preparation" element={<Preparation />} />
          <Route path="adopt/:fromId/:toId" element={<Adoption />} />
        </Route>
        <Route path="/calculators/:name?" element={<Calculators />} />
        <Route path="/sheets" element={<Sheets />} />
        <Route path="/sheets/new" element={<SheetEditor />} />
        <Route path="/sheets/:id" element={<OneSheet />} />
        <Route path="/sheets/:id/edit" element={<SheetEditor />} />
        <Route path="/instruments" element={<Instruments />} />
        <Route path="/visits" element={<Visits />} />
        <Route path="*" element={<Navigate to="/jobs" replace />} />
      </Routes>
    </Suspense>
  )
}
