import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { byUrgency, nextState, type Defect, type DefectStepName } from '@plumb-mark/core'
import { Note, PartTitle, SectionTitle } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { DefectCard } from '../defects/defect-card.js'
import { StepForm } from '../defects/step-form.js'
import { useInspection } from '../job/inspection.js'
import { useSiteTime } from '../job/site-time.js'

/** The installer's own view: what to put right, in plain words, and where. */
export function ReworkView() {
  const defects = useInspection(({ inspection }) => inspection?.defects) ?? []
  const { today } = useSiteTime()
  const owed = defects.filter(({ state }) => state === 'open').sort(byUrgency(today()))
  const rest = defects.filter(({ state }) => state !== 'open')
  return (
    <Box layerStyle="page" maxW="760px">
      <PartTitle>To put right</PartTitle>
      <Note>
        Isolate and prove dead before touching; modules in light are live. Only qualified people change live
        equipment.
      </Note>
      {owed.length === 0 && (
        <Text mt="12px">Nothing is owed. What you reworked waits for the inspector.</Text>
      )}
      <Stack gap="0">
        {owed.map((defect) => (
          <DefectCard key={defect.id} defect={defect}>
            <TakeStep defect={defect} step="reworked" words="I have put this right" verb="Mark as reworked" />
          </DefectCard>
        ))}
      </Stack>
      {rest.length > 0 && (
        <>
          <SectionTitle mt="26px">Done</SectionTitle>
          {rest.map((defect) => (
            <DefectCard key={defect.id} defect={defect}>
              <TakeStep
                defect={defect}
                step="taken-back"
                words="Not put right yet: take it back"
                verb="Take back"
              />
            </DefectCard>
          ))}
        </>
      )}
    </Box>
  )
}

/** A step that this person may take now; where they may not, nothing is shown. */
function TakeStep({
  defect,
  step,
  words,
  verb,
}: {
  defect: Defect
  step: DefectStepName
  words: string
  verb: string
}) {
  const role = useSession(({ person }) => person?.role)
  const [open, setOpen] = useState(false)
  if (!role || !nextState(defect.state, step, role, defect.proof).ok) return null
  return open ? (
    <StepForm defect={defect} step={step} verb={verb} onDone={() => setOpen(false)} />
  ) : (
    <Button variant={step === 'reworked' ? 'solid' : 'outline'} onClick={() => setOpen(true)}>
      {words}
    </Button>
  )
}
