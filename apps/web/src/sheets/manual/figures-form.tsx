import { Box, Button, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import { dimensionOf, type Fact, type Figures } from '@plumb-mark/manual'
import { FormProblems } from '../../ui/form-problems.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { TextField } from '../../ui/text-field.js'
import { Cluster } from '../../ui/cluster.js'
import { SmallDanger } from '../../ui/theme/text.js'

const ENDS = ['min', 'max', 'value'] as const
const END_LABELS = { min: 'least', max: 'most', value: 'figure' } as const

/** What a fact is about and its figures, in any unit of their kind. An empty field is no figure; one that cannot be read keeps the form open. */
export function FiguresForm({
  fact,
  figures: first,
  onSave,
  onCancel,
}: {
  fact: Pick<Fact, 'kind' | 'unit' | 'subject'>
  figures: Figures
  onSave: (subject: string, figures: Figures) => void
  onCancel: () => void
}) {
  const [figures, setFigures] = useState(first)
  const [subject, setSubject] = useState(fact.subject)
  const needsFigure = fact.kind !== 'observation'
  const problem = problemOf(subject, figures, needsFigure)
  // An empty form is no mistake.
  const isBegun = subject !== '' || Object.keys(figures).length > 0
  return (
    <FormProblems>
      {(isUnreadable) => (
        <Box mt="8px" onClick={(event) => event.stopPropagation()}>
          <TextField label="What it is about" value={subject} onChange={setSubject} />
          {needsFigure && (
            <Cluster mt="8px">
              {ENDS.map((end) => (
                <Box key={end} w="132px">
                  <QuantityInput
                    label={`${END_LABELS[end]}${fact.unit && `, ${fact.unit}`}`}
                    dimension={dimensionOf(fact)}
                    unit={fact.unit}
                    value={figures[end]}
                    onChange={(value) => setFigures(withEnd(figures, end, value))}
                  />
                </Box>
              ))}
            </Cluster>
          )}
          {problem && isBegun && !isUnreadable && (
            <SmallDanger mt="4px" role="alert">
              {problem}
            </SmallDanger>
          )}
          <Flex gap="6px" mt="8px">
            <Button disabled={problem !== undefined || isUnreadable} onClick={() => onSave(subject, figures)}>
              Save
            </Button>
            <Button variant="plain" onClick={onCancel}>
              Cancel
            </Button>
          </Flex>
        </Box>
      )}
    </FormProblems>
  )
}

function withEnd(figures: Figures, end: keyof Figures, value: number | undefined): Figures {
  const others = { ...figures }
  delete others[end]
  return value === undefined ? others : { ...others, [end]: value }
}

function problemOf(subject: string, { min, max, value }: Figures, needsFigure: boolean): string | undefined {
  if (subject.trim() === '') return 'say what it is about'
  if (min !== undefined && max !== undefined && min > max) return 'the least is above the most'
  const isEmpty = min === undefined && max === undefined && value === undefined
  return needsFigure && isEmpty ? 'type a figure' : undefined
}
