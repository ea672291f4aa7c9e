import { Box, Button, Center, Flex, Spinner, Text } from '@chakra-ui/react'
import { useEffect, useMemo, type ReactNode } from 'react'
import { Navigate, Outlet, useLocation, useParams } from 'react-router'
import { CLOCK_TOLERANCE, dangers, isOwedBy, signerWords, type Role, type Signer } from '@plumb-mark/core'
import { useClippingFiles } from '../data/clippings.js'
import { useRecogniserAhead } from '../data/recogniser-ahead.js'
import { useSession } from '../data/session.js'
import { SetAsideList } from '../on-device/set-aside-list.js'
import { Frame } from '../layout/frame.js'
import { Problem } from '../ui/problem.js'
import { useFollowing } from '../job/follow.js'
import { useInspection } from '../job/inspection.js'
import { useInTheWay } from '../job/in-the-way.js'
import { JobStatus } from '../job/job-status.js'
import { usePractisedRole } from '../job/practice-role.js'
import { OvertakenNotice } from './overtaken.js'
import { PracticeBar } from './practice-bar.js'
import { Small } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** Loads a job whole and keeps around it what every view of it shows: name, views, danger, whether everything has been kept. */
export function JobFrame() {
  const { jobId } = useParams()
  const role = usePractisedRole(jobId)
  const open = useInspection((state) => state.open)
  const problem = useInspection((state) => state.problem)
  const title = useInspection(
    ({ inspection }) =>
      inspection && `${inspection.state.header?.number} · ${inspection.state.header?.title}`,
  )
  const openDefects = useInspection(
    ({ inspection }) => inspection?.defects.filter((one) => isOwedBy(role, one)).length ?? 0,
  )
  const inTheWay = useInTheWay()
  const again = useInspection(({ inspection }) => inspection?.state.header?.again !== undefined)
  const { pathname } = useLocation()
  useEffect(() => void (jobId && open(jobId)), [jobId, open])
  useFollowing(jobId)
  useRecogniserAhead()
  useClippingFiles(useInspection(({ sheets }) => sheets).values())
  if (role === 'installer' && !pathname.endsWith('/rework'))
    return <Navigate to={`/jobs/${jobId}/rework`} replace />
  if (problem)
    return (
      <Frame>
        <Problem p="24px">{problem}</Problem>
      </Frame>
    )
  if (title === undefined)
    return (
      <Frame>
        <Center minH="50dvh" role="status" aria-label="Loading the job">
          <Spinner color="accent" />
        </Center>
      </Frame>
    )
  return (
    <JobBar
      title={title}
      role={role}
      jobId={jobId!}
      openDefects={openDefects}
      inTheWay={inTheWay}
      again={again}
    >
      <PracticeBar jobId={jobId!} />
      <DangerBanner />
      <Broken />
      <FromElsewhere />
      <SessionEnded />
      <Refusal />
      <SetAsideList />
      <ClockNotice />
      <OvertakenNotice />
      <Outlet />
    </JobBar>
  )
}

function JobBar({
  title,
  role,
  jobId,
  openDefects,
  inTheWay,
  again,
  children,
}: {
  title: string
  role: Role | undefined
  jobId: string
  openDefects: number
  inTheWay: number
  again: boolean
  children: ReactNode
}) {
  const tabs = useMemo(
    () => tabsFor(role, jobId, openDefects, inTheWay, again),
    [role, jobId, openDefects, inTheWay, again],
  )
  return (
    <Frame title={title} tabs={tabs} status={<JobStatus />}>
      {children}
    </Frame>
  )
}

function Refusal() {
  const refusal = useInspection((state) => state.refusal)
  const dismiss = useInspection((state) => state.dismissRefusal)
  if (!refusal) return null
  return (
    <Flex role="alert" bg="dangerWash" color="danger" px="18px" py="8px" align="center" gap="12px">
      <Text flex="1">Not taken: {refusal}</Text>
      <Button variant="plain" onClick={dismiss}>
        Dismiss
      </Button>
    </Flex>
  )
}

/** A session that ran out in the middle of the work: nothing is lost, and nothing is sent until somebody signs in again. */
function SessionEnded() {
  const ended = useSession((session) => session.ended)
  const again = useSession((session) => session.signInAgain)
  if (!ended) return null
  return (
    <Cluster layerStyle="notice" role="alert">
      <Text flex="1">
        Your session has ended. What you enter is kept on this device and sent after you sign in again.
      </Text>
      <Button onClick={again}>Sign in again</Button>
    </Cluster>
  )
}

/** A sealed record that is not what was sealed. */
function Broken() {
  const broken = useInspection((state) => state.broken)
  if (broken.length === 0) return null
  return (
    <Box role="alert" bg="danger" color="panel" px="18px" py="10px">
      <Text fontWeight={700}>This record is broken: it is not what was signed.</Text>
      <Text>{broken.slice(0, 3).join('; ')}</Text>
    </Box>
  )
}

/** A record that lies beside our jobs: whose word it carries, and that nothing is added to it. */
function FromElsewhere() {
  const readOnly = useInspection((state) => state.readOnly)
  const signer = useInspection((state) => state.signer)
  if (readOnly === undefined) return null
  return (
    <Text layerStyle="notice" role="note">
      A record to be read, signed by {signerWords(signer ?? OWN)}. It lies beside your jobs, and nothing is
      added to it here.
    </Text>
  )
}
const OWN: Signer = { kind: 'own', key: 'its own key' }

/** A clock that is off is corrected at the server; the person is told, since the record notes it. */
function ClockNotice() {
  const ahead = useInspection((state) => state.clockAhead)
  if (Math.abs(ahead) <= CLOCK_TOLERANCE) return null
  const minutes = Math.round(Math.abs(ahead) / 60_000)
  return (
    <Text layerStyle="notice" role="status">
      The clock of this device is {minutes} minutes {ahead > 0 ? 'fast' : 'slow'}: the times of what you enter
      are corrected, and the record notes it. Set the clock.
    </Text>
  )
}

function tabsFor(role: Role | undefined, jobId: string, open: number, inTheWay: number, again: boolean) {
  const to = (view: string) => `/jobs/${jobId}/${view}`
  if (role === 'installer') return [{ to: to('rework'), label: `Rework (${open})` }]
  return [
    { to: to('preparation'), label: 'Preparation' },
    { to: to('walk'), label: 'Walk' },
    { to: to('defects'), label: `Defects (${open})` },
    ...(again ? [{ to: to('since'), label: 'Last time' }] : []),
    { to: to('sign-off'), label: inTheWay > 0 ? `Sign-off (${inTheWay})` : 'Sign-off' },
  ]
}

/** A `stop` defect puts its caution above everything until it is closed. */
function DangerBanner() {
  const found = useInspection(({ inspection }) => inspection?.defects)
  const stop = dangers(found ?? [])
  if (stop.length === 0) return null
  return (
    <Box role="alert" bg="danger" color="panel" px="18px" py="10px">
      <Text fontWeight={700} fontSize="17px">
        Danger: do not energise, or isolate. {stop.map(({ title, place }) => `${title}, ${place}`).join('; ')}
        .
      </Text>
      <Small>Only qualified people open, measure or change live equipment; prove dead before touching.</Small>
    </Box>
  )
}
