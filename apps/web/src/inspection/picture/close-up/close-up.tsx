import { Box, Stack } from '@chakra-ui/react'
import type { AnswerOf, JudgedCheck } from '@plumb-mark/core'
import { useInspection } from '../../../store/inspection.js'
import { OrderForm } from '../../checks/record/order-form.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'
import { PhotoFrames } from './photo-frames.js'

/** Covers with their bolts, touched as they are tightened; the photos that are asked for, as frames to be filled. */
export function CloseUp() {
  const checks = useInspection(({ inspection }) => inspection?.checks) ?? []
  const here = checks.filter(({ check }) => check.stage === 'close-up')
  return (
    <Stack gap="26px" p={{ base: '12px', lg: '24px' }}>
      {here.map((judged) => {
        const { kind } = judged.check.requirement
        if (kind === 'tightening-order') return <Cover key={judged.check.id} judged={judged} />
        if (kind === 'photo-list') return <PhotoFrames key={judged.check.id} judged={judged} />
        return null
      })}
    </Stack>
  )
}

function Cover({ judged }: { judged: JudgedCheck }) {
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
