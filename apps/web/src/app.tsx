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
        <Route path="/jobs/:jobId" element={<JobFrame />}>
          <Route index element={<Navigate to="walk" replace />} />
          <Route path="walk/:stage?" element={<Walk />} />
          <Route path="defects" element={<Defects />} />
          <Route path="sign-off" element={<SignOff />} />
          <Route path="rework" element={<Rework />} />
        </Route>
        <Route path="/calculators/:name?" element={<Calculators />} />
        <Route path="*" element={<Navigate to="/jobs" replace />} />
      </Routes>
    </Suspense>
  )
}
