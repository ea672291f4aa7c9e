import { Box, Grid } from '@chakra-ui/react'
import { useEffect } from 'react'
import { Navigate, useParams } from 'react-router'
import { useShallow } from 'zustand/react/shallow'
import { STAGES, isLeft, type Inspection, type Stage } from '@plumb-mark/core'
import { useInspection } from '../store/inspection.js'
import { CheckList } from './checks/check-list.js'
import { useCheckInAddress } from './check-in-address.js'
import { useFocus } from './focus.js'
import { Line } from './line/line.js'
import { Picture } from './picture/picture.js'
import { Shortcuts } from './shortcuts.js'

/** Stages whose picture is where things are entered: there is work in them before there is a check. */
const BUILT_IN_PICTURE: readonly Stage[] = ['identify', 'place-and-mount', 'roof', 'earthing', 'dc', 'ac']

const stagesOf = ({ checks }: Inspection): Stage[] => {
  const asked = new Set(checks.map(({ check }) => check.stage))
  return STAGES.filter((one) => BUILT_IN_PICTURE.includes(one) || asked.has(one))
}

/** Where the walk goes on. */
const nextStage = ({ checks }: Inspection): Stage | undefined =>
  (checks.find(isLeft) ?? checks[0])?.check.stage

/** The one workspace: the line, the checks, the picture. */
export function WalkView() {
  const { stage, jobId } = useParams()
  const stages = useInspection(useShallow(({ inspection }) => inspection && stagesOf(inspection)))
  const next = useInspection(({ inspection }) => inspection && nextStage(inspection))
  const openCheck = useFocus((focus) => focus.openCheck)
  useEffect(() => () => openCheck(undefined), [stage, openCheck])
  useCheckInAddress()
  if (!stages) return null
  if (!stages.includes(stage as Stage))
    return <Navigate to={`/jobs/${jobId}/walk/${next ?? stages[0]}`} replace />
  const here = stage as Stage
  return (
    <Grid
      templateColumns={{ base: '1fr', md: '1fr', lg: '172px minmax(380px, 440px) 1fr' }}
      templateRows={{ base: 'auto auto auto', lg: '1fr' }}
      h={{ lg: 'calc(100dvh - 53px)' }}
    >
      <Line stages={stages} here={here} />
      <Box
        data-scrolls
        overflowY={{ lg: 'auto' }}
        borderRight={{ lg: '1px solid' }}
        borderColor={{ lg: 'hair' }}
        order={{ base: 3, lg: 2 }}
      >
        <CheckList stage={here} />
      </Box>
      <Box overflowY={{ lg: 'auto' }} order={{ base: 2, lg: 3 }} bg="sunk" minW={0}>
        <Picture stage={here} />
      </Box>
      <Shortcuts />
    </Grid>
  )
}
