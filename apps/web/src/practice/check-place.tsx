import { Button, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import {
  inBothSystems,
  measures,
  sayEvidence,
  type Evidence,
  type Instrument,
  type JudgedCheck,
} from '@plumb-mark/core'
import { isHeld, look, type Found, type Hold, type Scenario } from '@plumb-mark/practice'
import { Note } from '../look/text.js'
import { VerdictMark } from '../marks/verdict-mark.js'
import { HoldFields } from './hold.js'
import { Row, Shown, WillBeFine } from './row.js'
import { SamplePhoto, hasSamplePhoto } from './sample-photo/sample-photo.js'
import { unseen, usePractice } from './session.js'

/** A check of the installation. What it asks is answered by whoever looks: a picture, or a display, says nothing of right or wrong. */
export function CheckPlace({
  judged,
  scenario,
  bag,
}: {
  judged: JudgedCheck
  scenario: Scenario
  bag: readonly Instrument[]
}) {
  const done = usePractice((practice) => practice.done)
  const [shown, setShown] = useState<Found>()
  const [hold, setHold] = useState<Hold>({})
  const { check, outcome } = judged
  const { ask, point } = check
  const measured = ask.kind === 'reading'
  const fits = !measured || !hold.instrument || measures(hold.instrument, ask.dimension)
  const reach = () => {
    done({ point })
    if (fits) setShown(look(scenario, point, hold))
  }
  return (
    <Row
      where={point}
      title={check.title}
      place={check.place}
      state={<VerdictMark verdict={outcome.verdict} />}
    >
      {(keep, takeBack) => (
        <>
          <Text>{ask.kind === 'observation' ? ask.question : inBothSystems(check.required, 'metric')}</Text>
          {measured && (
            <HoldFields
              check={check}
              bag={bag}
              hold={hold}
              onHold={(next) => (setHold(next), setShown(undefined))}
            />
          )}
          <Flex gap="8px" mt="10px" wrap="wrap">
            <Button h="52px" disabled={measured && !isHeld(check, hold)} onClick={reach}>
              {measured ? 'Measure' : 'Look'}
            </Button>
            <WillBeFine onKeep={() => keep(unseen(scenario, point))} />
            {takeBack}
          </Flex>
          {!fits && <Note mt="8px">The display stays blank: it does not measure that.</Note>}
          {shown && fits && <Seen judged={judged} there={shown} onKeep={keep} />}
        </>
      )}
    </Row>
  )
}

/** What is there: as a picture that is answered, or in words that are written down. */
function Seen({
  judged: { check },
  there,
  onKeep,
}: {
  judged: JudgedCheck
  there: Found
  onKeep: (found: Found) => void
}) {
  const { ask, requirement } = check
  const pictured = hasSamplePhoto(requirement.id)
  if (pictured && there.kind === 'observation')
    return (
      <>
        <SamplePhoto of={requirement.id} right={there.body.seen} />
        <Answers
          options={[
            ['yes', 'Yes'],
            ['no', 'No'],
          ]}
          onAnswer={(said) => onKeep({ ...there, body: { ...there.body, seen: said === 'yes' } })}
        />
      </>
    )
  if (pictured && there.kind === 'record' && ask.kind === 'record' && ask.form === 'choice')
    return (
      <>
        <SamplePhoto of={requirement.id} right chosen={(there.body.answer as { chosen: string }).chosen} />
        <Answers
          options={ask.options.map(({ id, label }) => [id, label] as const)}
          onAnswer={(chosen) => onKeep({ ...there, body: { ...there.body, answer: { chosen } } })}
        />
      </>
    )
  return <Shown words={sayEvidence(check, there as unknown as Evidence)} onKeep={() => onKeep(there)} />
}

function Answers({
  options,
  onAnswer,
}: {
  options: readonly (readonly [id: string, label: string])[]
  onAnswer: (id: string) => void
}) {
  return (
    <Flex gap="8px" mt="10px" wrap="wrap" role="group" aria-label="What do you see?">
      {options.map(([id, label]) => (
        <Button key={id} variant="outline" h="52px" minW="88px" onClick={() => onAnswer(id)}>
          {label}
        </Button>
      ))}
    </Flex>
  )
}
