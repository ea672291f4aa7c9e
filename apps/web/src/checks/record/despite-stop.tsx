import { Button, Flex, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { isSentence, type Defect } from '@plumb-mark/core'
import { TextField } from '../../ui/text-field.js'
import { Strong } from '../../ui/theme/text.js'

export interface Allowed {
  reason: string
  by: string
}

/** A stop stands: the step is not taken, or somebody allowed it for a reason, and both stand in the record. */
export function DespiteStop({
  step,
  held,
  onAllowed,
  onCancel,
}: {
  step: string
  held: readonly Defect[]
  onAllowed: (allowed: Allowed) => void
  onCancel: () => void
}) {
  const [reason, setReason] = useState('')
  const [by, setBy] = useState('')
  return (
    <Stack
      role="group"
      aria-label="A stop stands"
      bg="dangerWash"
      borderLeft="5px solid"
      borderColor="danger"
      p="14px"
      gap="10px"
      mt="8px"
    >
      <Strong>
        Do not: {step}. {held.map(({ title, place }) => `${title}, ${place}`).join('; ')}{' '}
        {held.length === 1 ? 'is' : 'are'} open.
      </Strong>
      <Text>If it was done all the same, say why and who allowed it.</Text>
      <TextField label="Why it had to be" value={reason} onChange={setReason} />
      <TextField label="Allowed by" value={by} onChange={setBy} />
      <Flex gap="10px">
        <Button
          bg="danger"
          disabled={!isSentence(reason) || by.trim() === ''}
          onClick={() => onAllowed({ reason: reason.trim(), by: by.trim() })}
        >
          It was done
        </Button>
        <Button variant="plain" onClick={onCancel}>
          Not done
        </Button>
      </Flex>
    </Stack>
  )
}
