import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import { sayEvidence, type Answer, type AnswerOf, type Evidence, type JudgedCheck } from '@plumb-mark/core'
import type { Found, Sits } from '@plumb-mark/practice'
import { ChoiceForm } from '../../checks/record/choice-form.js'
import { OrderForm } from '../../checks/record/order-form.js'
import { SwitchesForm } from '../../checks/record/switches-form.js'
import { MeterBench } from '../instruments/meter-bench.js'
import { Shown } from '../row.js'
import { pictureOf } from './there.js'
import { Cluster } from '../../ui/cluster.js'
import { HandButton } from '../../ui/buttons.js'

interface Props {
  check: JudgedCheck['check']
  there: Found
  /** How the transformers really sit, where that is asked: it is proved at the live meter. */
  sits?: readonly Sits[] | undefined
  onKeep: (found: Found) => void
}

/** What is there: as a picture that whoever looks answers, or in words that are written down. */
export function Seen({ check, there, sits, onKeep }: Props) {
  if (sits && there.kind === 'record')
    return (
      <MeterBench sits={sits} onKeep={(answer) => onKeep({ ...there, body: { ...there.body, answer } })} />
    )
  const picture = pictureOf(check, there)
  if (!picture)
    return <Shown words={sayEvidence(check, there as unknown as Evidence)} onKeep={() => onKeep(there)} />
  return (
    <Cluster mt="10px" gap="24px" alignItems="flex-start">
      <Box w="400px" maxW="100%">
        {picture}
      </Box>
      <Box flex="1" minW="260px">
        <Answering check={check} there={there} onKeep={onKeep} />
      </Box>
    </Cluster>
  )
}

/** A look is answered by whoever looks, in the form that every job has; what is printed or shown is written down as it is. */
function Answering({ check: { ask }, there, onKeep }: Props) {
  const [draft, setDraft] = useState<Answer>()
  if (there.kind === 'observation')
    return <YesOrNo onAnswer={(seen) => onKeep({ ...there, body: { ...there.body, seen } })} />
  if (there.kind !== 'record' || ask.kind !== 'record') return null
  const keep = (answer: Answer) => onKeep({ ...there, body: { ...there.body, answer } })
  const ready = <WriteDown ready={draft !== undefined} onWrite={() => draft && keep(draft)} />
  switch (ask.form) {
    case 'choice':
      return <ChoiceForm form={ask} answer={undefined} onChange={(given) => given && keep(given)} />
    case 'switches':
      return (
        <>
          <SwitchesForm form={ask} answer={draft as AnswerOf<'switches'> | undefined} onChange={setDraft} />
          {ready}
        </>
      )
    case 'order':
      return (
        <>
          <OrderForm form={ask} answer={draft as AnswerOf<'order'> | undefined} onChange={setDraft} />
          {ready}
        </>
      )
    default:
      return <WriteDown ready onWrite={() => onKeep(there)} />
  }
}

function YesOrNo({ onAnswer }: { onAnswer: (seen: boolean) => void }) {
  return (
    <Cluster role="group" aria-label="What do you see?">
      {(['Yes', 'No'] as const).map((label) => (
        <HandButton key={label} variant="outline" minW="88px" onClick={() => onAnswer(label === 'Yes')}>
          {label}
        </HandButton>
      ))}
    </Cluster>
  )
}

function WriteDown({ ready, onWrite }: { ready: boolean; onWrite: () => void }) {
  return (
    <HandButton mt="10px" disabled={!ready} onClick={onWrite}>
      Write it down
    </HandButton>
  )
}
