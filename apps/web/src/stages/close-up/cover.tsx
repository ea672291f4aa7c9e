import { Box } from '@chakra-ui/react'
import type { AnswerOf, JudgedCheck } from '@plumb-mark/core'
import { OrderForm } from '../../checks/record/order-form.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'

/** A cover with its bolts: each is kept as it is touched, the next one is lit. */
export function Cover({ judged }: { judged: JudgedCheck }) {
  const answer = useAnswerOf(judged) as AnswerOf<'order'> | undefined
  const keep = useAnswering()
  const { ask, unit, title } = judged.check
  if (ask.kind !== 'record' || ask.form !== 'order') return null
  return (
    <Box as="section" aria-label={`${title}, ${unit.label}`}>
      <UnitHeading judged={judged} />
      <Box inert={!keep}>
        <OrderForm form={ask} answer={answer} onChange={(next) => next && keep?.(judged, next)} />
      </Box>
    </Box>
  )
}
