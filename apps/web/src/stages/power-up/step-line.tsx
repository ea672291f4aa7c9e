import { Box } from '@chakra-ui/react'
import { heldBy, inForce, type AnswerOf, type JudgedCheck } from '@plumb-mark/core'
import { Simulated } from '../../devices/simulated.js'
import { useInspection } from '../../job/inspection.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'
import { Timeline } from './timeline.js'
import { useDeviceTicks } from './use-device-ticks.js'

/** The steps of one unit by its own sheet. What a connected device is seen to do ticks itself, with the reading as proof. */
export function StepLine({ judged }: { judged: JudgedCheck }) {
  const answer = useAnswerOf(judged) as AnswerOf<'steps'> | undefined
  const keep = useAnswering()
  const defects = useInspection(({ inspection }) => inspection?.defects) ?? []
  const held = heldBy(judged.check, defects)
  // What a stop forbids is recorded by a person, with why: a device knows no reason.
  useDeviceTicks(judged, held.length > 0 ? undefined : keep)
  const { ask, unit, title } = judged.check
  const done = answer?.done ?? []
  const current = inForce(judged.history)
  const word = current?.kind === 'record' ? current.body.word : undefined
  const seen = (id: string) => {
    const read = word?.points.find(({ part }) => part === id)
    return read && `seen at ${read.point}: ${read.raw}`
  }
  const wanted = ask.kind === 'record' && ask.form === 'steps' ? ask.steps : []
  return (
    <Box as="section" aria-label={`${title}, ${unit.label}`}>
      <UnitHeading judged={judged} />
      {word?.device.simulated && <Simulated />}
      <Timeline
        wanted={wanted.map((step) => ({ ...step, hint: seen(step.id) }))}
        done={done}
        held={held}
        onDone={keep && ((step) => keep(judged, { done: [...done, step] }))}
        onTakeBack={keep && (() => keep(judged, { done: done.slice(0, -1) }))}
      />
    </Box>
  )
}
