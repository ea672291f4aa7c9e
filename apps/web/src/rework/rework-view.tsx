import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { nextState, type Defect } from '@plumb-mark/core'
import { Note } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { DefectCard } from '../defects/defect-card.js'
import { StepForm } from '../defects/step-form.js'
import { useInspection } from '../job/inspection.js'

/** The installer's own view: what to put right, in plain words, and where. */
export function ReworkView() {
  const defects = useInspection(({ inspection }) => inspection?.defects) ?? []
  const owed = defects.filter(({ state }) => state === 'open')
  const rest = defects.filter(({ state }) => state !== 'open')
  return (
    <Box maxW="760px" mx="auto" px={{ base: '16px', md: '24px' }} py="24px">
      <Text as="h2" fontFamily="heading" fontWeight={600} fontSize="32px">
        To put right
      </Text>
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
            <Reworked defect={defect} />
          </DefectCard>
        ))}
      </Stack>
      {rest.length > 0 && (
        <>
          <Text as="h2" fontFamily="heading" fontWeight={600} fontSize="24px" mt="26px">
            Done
          </Text>
          {rest.map((defect) => (
            <DefectCard key={defect.id} defect={defect} />
          ))}
        </>
      )}
    </Box>
  )
}

function Reworked({ defect }: { defect: Defect }) {
  const role = useSession(({ person }) => person?.role)
  const [open, setOpen] = useState(false)
  if (!role || !nextState(defect.state, 'reworked', role, defect.proof).ok) return null
  return open ? (
    <StepForm defect={defect} step="reworked" verb="Mark as reworked" onDone={() => setOpen(false)} />
  ) : (
    <Button onClick={() => setOpen(true)}>I have put this right</Button>
  )
}
