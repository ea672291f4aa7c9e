import { Box } from '@chakra-ui/react'
import {
  heldBy,
  mergedOrder,
  orderOf,
  type AnswerOf,
  type JudgedCheck,
  type OrderConflict,
  type SiteStep,
} from '@plumb-mark/core'
import { useInspection } from '../../job/inspection.js'
import { answerOf } from '../answer-of.js'
import { useAnswering } from '../use-answering.js'
import { Timeline, type Done } from './timeline.js'
import { Unproven } from '../../ui/theme/text.js'

/** The orders of all sheets as one: a step that several name is done once, and stands in the record of each. */
export function SiteOrder({
  checks,
  direction,
}: {
  checks: readonly JudgedCheck[]
  direction: 'up' | 'down'
}) {
  const keep = useAnswering()
  const defects = useInspection(({ inspection }) => inspection?.defects) ?? []
  const { steps, conflicts } = mergedOrder(checks.flatMap(({ check }) => orderOf(check, direction) ?? []))
  const doneOf = (judged: JudgedCheck): readonly Done[] =>
    (answerOf(judged) as AnswerOf<'steps'> | undefined)?.done ?? []
  const ofUnit = (unitId: string) => checks.find(({ check }) => check.unit.id === unitId)!
  const done = steps.flatMap((step) => doneAt(step, (unitId) => doneOf(ofUnit(unitId))))
  const each = (key: string, change: (judged: JudgedCheck, stepId: string) => void) =>
    steps.find((step) => step.key === key)?.of.forEach(({ unitId, stepId }) => change(ofUnit(unitId), stepId))
  return (
    <Box as="section" aria-label="Order of the whole site">
      {conflicts.map((conflict) => (
        <Conflict key={`${conflict.first} ${conflict.then}`} conflict={conflict} />
      ))}
      <Timeline
        wanted={steps.map(({ key, label, after, wait, of }) => ({
          id: key,
          label,
          after,
          waitSeconds: wait,
          hint: [...new Set(of.map(({ unit }) => unit))].join(', '),
        }))}
        done={[...done].sort((a, b) => a.at.localeCompare(b.at))}
        held={checks.flatMap((judged) => heldBy(judged.check, defects)).filter(once)}
        onDone={
          keep &&
          (({ id, ...step }) =>
            each(id, (judged, stepId) =>
              keep(judged, { done: [...doneOf(judged), { id: stepId, ...step }] }),
            ))
        }
        onTakeBack={
          keep &&
          (({ id }) =>
            each(id, (judged, stepId) =>
              keep(judged, { done: doneOf(judged).filter((one) => one.id !== stepId) }),
            ))
        }
      />
    </Box>
  )
}

const once = <T,>(one: T, i: number, all: readonly T[]): boolean => all.indexOf(one) === i

function Conflict({ conflict: { first, then, says, denies } }: { conflict: OrderConflict }) {
  return (
    <Unproven role="alert" bg="unprovenWash" p="12px" mb="12px" borderRadius="4px">
      The sheets do not agree: {says.join(', ')} wants “{first}” before “{then}”, {denies.join(', ')} the
      other way round. Decide which comes first with the makers, and record it unit by unit.
    </Unproven>
  )
}

/** A step of the site is done when all whose step it is have it; then by the last of them. */
function doneAt({ key, of }: SiteStep, doneOf: (unitId: string) => readonly Done[]): Done[] {
  const times = of.map(({ unitId, stepId }) => doneOf(unitId).find(({ id }) => id === stepId)?.at)
  if (times.some((at) => at === undefined)) return []
  return [{ id: key, at: (times as string[]).sort().at(-1)! }]
}
