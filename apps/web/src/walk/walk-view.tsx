import { Box, Grid, chakra } from '@chakra-ui/react'
import { useEffect } from 'react'
import { Navigate, useParams, useSearchParams } from 'react-router'
import { useShallow } from 'zustand/react/shallow'
import { isLeft, stagesOf, type Inspection, type Stage } from '@plumb-mark/core'
import { useInspection } from '../job/inspection.js'
import { SkipLink } from '../ui/skip-link.js'
import { CheckList } from '../checks/check-list.js'
import { CHECK_FIELD, useCheckInAddress } from '../job/check-in-address.js'
import { useFocus } from '../job/focus.js'
import { Line } from './line/line.js'
import { Picture, loadPictures } from '../stages/picture.js'
import { Shortcuts } from './shortcuts.js'

const CHECKS = 'checks'

/** Where the walk goes on: at the check that the address names, else at the first that is left. */
const nextStage = ({ checks }: Inspection, named: string | undefined): Stage | undefined =>
  (checks.find(({ check }) => check.id === named) ?? checks.find(isLeft) ?? checks[0])?.check.stage

/** The walk at a stage that it has; from any other address it goes on where it left off. */
export function WalkView() {
  const { stage, jobId } = useParams()
  const [fields] = useSearchParams()
  const named = fields.get(CHECK_FIELD) ?? undefined
  const stages = useInspection(useShallow(({ inspection }) => inspection && stagesOf(inspection)))
  const next = useInspection(({ inspection }) => inspection && nextStage(inspection, named))
  if (!stages) return null
  const here = stages.find((one) => one === stage)
  if (here) return <Workspace stages={stages} here={here} />
  return (
    <Navigate to={{ pathname: `/jobs/${jobId}/walk/${next ?? stages[0]}`, search: `${fields}` }} replace />
  )
}

/** What did not change in a drawing is not painted anew with every key. */
const PictureBox = chakra('div', {
  base: {
    overflowY: { lg: 'auto' },
    order: { base: 2, lg: 3 },
    bg: 'sunk',
    minW: 0,
    '& svg': { isolation: 'isolate' },
  },
})

/** The one workspace: the line, the checks, the picture. */
function Workspace({ stages, here }: { stages: readonly Stage[]; here: Stage }) {
  const openCheck = useFocus((focus) => focus.openCheck)
  useEffect(() => () => openCheck(undefined), [here, openCheck])
  useCheckInAddress()
  useEffect(() => whenIdle(() => void loadPictures()), [])
  return (
    <Grid
      templateColumns={{ base: 'minmax(0, 1fr)', lg: '172px minmax(380px, 440px) 1fr' }}
      templateRows={{ base: 'auto auto auto', lg: '1fr' }}
      h={{ lg: 'calc(100dvh - 53px)' }}
    >
      <SkipLink href={`#${CHECKS}`}>Skip to the checks</SkipLink>
      <Line stages={stages} here={here} />
      <Box
        data-scrolls
        overflowY={{ lg: 'auto' }}
        borderRight={{ lg: '1px solid' }}
        borderColor={{ lg: 'hair' }}
        order={{ base: 3, lg: 2 }}
      >
        <CheckList stage={here} id={CHECKS} />
      </Box>
      <PictureBox>
        <Picture stage={here} />
      </PictureBox>
      <Shortcuts />
    </Grid>
  )
}

/** Once nothing else is to be done; answers with how to leave it. */
function whenIdle(work: () => void): () => void {
  // Not every browser says when it is idle.
  if (typeof requestIdleCallback !== 'function') {
    const timer = setTimeout(work, 1000)
    return () => clearTimeout(timer)
  }
  const asked = requestIdleCallback(work)
  return () => cancelIdleCallback(asked)
}
