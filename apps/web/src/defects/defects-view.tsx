import { Box, Button, Flex, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import { DEFECT_STEPS, isOpen, nextState, type Defect, type DefectStepName } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { DefectCard } from './defect-card.js'
import { StepForm } from './step-form.js'

const STEP_BUTTONS = {
  reworked: 'Reworked',
  'sent-back': 'Send back',
  closed: 'Close',
  withdrawn: 'Withdraw',
} satisfies Record<DefectStepName, string>
const RANK = { stop: 0, major: 1, minor: 2, note: 3 }

/** The defects of a job: what is owed first, what is done beneath. */
export function DefectsView() {
  const defects = useInspection(({ inspection }) => inspection?.defects) ?? []
  const sorted = [...defects].sort(
    (a, b) => Number(isOpen(b)) - Number(isOpen(a)) || RANK[a.severity] - RANK[b.severity],
  )
  return (
    <Box maxW="860px" mx="auto" px={{ base: '16px', md: '24px' }} py="24px">
      <Text as="h2" fontFamily="heading" fontWeight={600} fontSize="32px">
        Defects
      </Text>
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
  const [step, setStep] = useState<DefectStepName>()
  if (sealed || !role) return null
  const possible = DEFECT_STEPS.filter(
    (one) => one !== 'reworked' && nextState(defect.state, one, role, defect.proof).ok,
  )
  if (step)
    return (
      <StepForm defect={defect} step={step} verb={STEP_BUTTONS[step]} onDone={() => setStep(undefined)} />
    )
  return (
    <Flex gap="8px" wrap="wrap" align="center">
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
    </Flex>
  )
}
