import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import {
  DEFECT_STEPS,
  byUrgency,
  isOpen,
  nextState,
  type Defect,
  type DefectStepName,
} from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { AddRemark } from '../job/add-remark.js'
import { useSiteTime } from '../job/site-time.js'
import { useMay } from '../job/use-writable.js'
import { AmendForm } from './amend-form.js'
import { DefectCard } from './defect-card.js'
import { StepForm } from './step-form.js'
import { PartTitle } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

const STEP_BUTTONS = {
  reworked: 'Reworked',
  'taken-back': 'Take the rework back',
  'sent-back': 'Send back',
  closed: 'Close',
  withdrawn: 'Withdraw',
} satisfies Record<DefectStepName, string>

/** The defects of a job: what is owed first, what is done beneath. */
export function DefectsView() {
  const defects = useInspection(({ inspection }) => inspection?.defects) ?? []
  const { today } = useSiteTime()
  const sorted = defects.toSorted(byUrgency(today()))
  return (
    <Box layerStyle="page" maxW="860px">
      <PartTitle>Defects</PartTitle>
      {sorted.length === 0 && (
        <Text mt="10px">None has been raised. A failed check offers one, already written, in the walk.</Text>
      )}
      <Stack gap="0">
        {sorted.map((defect) => (
          <DefectCard key={defect.id} defect={defect}>
            <Actions defect={defect} />
          </DefectCard>
        ))}
      </Stack>
    </Box>
  )
}

function Actions({ defect }: { defect: Defect }) {
  const { jobId } = useParams()
  const role = useSession(({ person }) => person?.role)
  const sealed = useInspection(({ inspection }) => inspection?.state.seal !== undefined)
  const stage = useInspection(
    ({ inspection }) => inspection?.checks.find(({ check }) => check.id === defect.checkId)?.check.stage,
  )
  const mayAmend = useMay('defect-amended') && isOpen(defect)
  const [step, setStep] = useState<DefectStepName>()
  const [amending, setAmending] = useState(false)
  if (sealed || !role) return null
  const possible = DEFECT_STEPS.filter(
    (one) => one !== 'reworked' && nextState(defect.state, one, role, defect.proof).ok,
  )
  if (amending) return <AmendForm defect={defect} onDone={() => setAmending(false)} />
  if (step)
    return (
      <StepForm defect={defect} step={step} verb={STEP_BUTTONS[step]} onDone={() => setStep(undefined)} />
    )
  return (
    <Cluster>
      {defect.state === 'reworked' && stage && (
        <Button asChild>
          <Link to={`/jobs/${jobId}/walk/${stage}`}>Read it again</Link>
        </Button>
      )}
      {possible.map((one) => (
        <Button key={one} variant="outline" onClick={() => setStep(one)}>
          {STEP_BUTTONS[one]}
        </Button>
      ))}
      {mayAmend && (
        <Button variant="outline" onClick={() => setAmending(true)}>
          Edit
        </Button>
      )}
      <AddRemark about={`${defect.title}, ${defect.place}`} defectId={defect.id} />
    </Cluster>
  )
}
