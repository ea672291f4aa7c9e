import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Figures } from '@plumb-mark/manual'
import { TextField } from '../../ui/text-field.js'

const ENDS = ['min', 'max', 'value'] as const
const END_LABELS = { min: 'least', max: 'most', value: 'figure' } as const

/** What a fact is about and its figures. An empty field is no figure; one that cannot be read keeps the form open. */
export function FiguresForm({
  subject: first,
  figures,
  unit,
  needsFigure,
  onSave,
  onCancel,
}: {
  subject: string
  figures: Figures
  unit: string
  needsFigure: boolean
  onSave: (subject: string, figures: Figures) => void
  onCancel: () => void
}) {
  const [typed, setTyped] = useState(() =>
    Object.fromEntries(ENDS.map((end) => [end, figures[end] === undefined ? '' : String(figures[end])])),
  )
  const [subject, setSubject] = useState(first)
  const read = ENDS.flatMap((end) =>
    typed[end]!.trim() === '' ? [] : [[end, Number(typed[end]!.replace(',', '.'))] as const],
  )
  const made = Object.fromEntries(read) as Figures
  const problem = problemOf(subject, made, read, needsFigure)
  return (
    <Box mt="8px" onClick={(event) => event.stopPropagation()}>
      <TextField label="What it is about" value={subject} onChange={setSubject} />
      {needsFigure && (
        <Flex gap="8px" mt="8px" wrap="wrap">
          {ENDS.map((end) => (
            <Box key={end} w="120px">
              <TextField
                label={`${END_LABELS[end]}${unit && `, ${unit}`}`}
                inputMode="decimal"
                value={typed[end]!}
                onChange={(text) => setTyped({ ...typed, [end]: text })}
              />
            </Box>
          ))}
        </Flex>
      )}
      {problem && (
        <Text fontSize="14px" color="danger" mt="4px" role="alert">
          {problem}
        </Text>
      )}
      <Flex gap="6px" mt="8px">
        <Button disabled={problem !== undefined} onClick={() => onSave(subject, made)}>
          Save
        </Button>
        <Button variant="plain" onClick={onCancel}>
          Cancel
        </Button>
      </Flex>
    </Box>
  )
}

function problemOf(
  subject: string,
  { min, max }: Figures,
  read: readonly (readonly [string, number])[],
  needsFigure: boolean,
): string | undefined {
  if (subject.trim() === '') return 'say what it is about'
  if (read.some(([, value]) => !Number.isFinite(value))) return 'a figure cannot be read'
  if (min !== undefined && max !== undefined && min > max) return 'the least is above the most'
  return needsFigure && read.length === 0 ? 'type a figure' : undefined
}
