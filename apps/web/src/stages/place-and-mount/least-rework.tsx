import { Button, Text } from '@chakra-ui/react'
import type { Move } from '@plumb-mark/core'
import type { Answer } from '../../data/workers/use-rework.js'
import { Cluster } from '../../ui/cluster.js'

/** What would have to move so that the whole wall conforms, in words; the ghosts on the wall show where to. */
export function LeastRework({
  answer,
  labelOf,
  onCancel,
  onClose,
}: {
  answer: Answer
  labelOf: (id: string) => string
  onCancel: () => void
  onClose: () => void
}) {
  return (
    <Cluster bg="accentWash" borderRadius="4px" px="12px" py="4px" role="status">
      <Text flex="1" minW="200px">
        {words(answer, labelOf)}
      </Text>
      {answer.state === 'searching' && (
        <Button variant="plain" onClick={onCancel}>
          Cancel
        </Button>
      )}
      <Button variant="plain" onClick={onClose}>
        Close
      </Button>
    </Cluster>
  )
}

function words(answer: Answer, labelOf: (id: string) => string): string {
  if (answer.state === 'searching') return `Searching the least rework, ${Math.round(100 * answer.part)} %`
  if (answer.state === 'called-off') return 'The search was called off.'
  if (answer.state === 'refused') return answer.error.message
  const { status, moves, exact } = answer.result as { status: string; moves: Move[]; exact: boolean }
  if (status === 'not-needed') return 'Every gap is kept already: nothing has to move.'
  if (status === 'not-found')
    return 'No place was found where every gap is kept: something else has to give way.'
  const said = moves.map(
    ({ id, dx, dy }) =>
      `${labelOf(id)} ${[way(dx, 'to the right', 'to the left'), way(dy, 'up', 'down')].filter(Boolean).join(' and ')}`,
  )
  return `Least rework: move ${said.join('; ')}.${exact ? '' : ' A smaller one may exist.'} Isolate and prove dead first; two people for heavy lifts.`
}

const way = (d: number, more: string, less: string) =>
  d === 0 ? '' : `${Math.ceil(Math.abs(d) * 10) / 10} mm ${d > 0 ? more : less}`

export const movesOf = (answer: Answer): Move[] =>
  answer.state === 'done' ? (answer.result['moves'] as Move[]) : []
