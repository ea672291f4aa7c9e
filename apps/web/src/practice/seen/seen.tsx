import { Box, Button, Flex, chakra } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import {
  sayEvidence,
  type Answer,
  type AnswerOf,
  type Evidence,
  type FormName,
  type JudgedCheck,
} from '@plumb-mark/core'
import type { Found } from '@plumb-mark/practice'
import { ChoiceForm } from '../../inspection/checks/record/choice-form.js'
import { OrderForm } from '../../inspection/checks/record/order-form.js'
import { SwitchesForm } from '../../inspection/checks/record/switches-form.js'
import { SmallPrint } from '../../look/text.js'
import { Lamp } from '../../marks/lamp.js'
import { Bank, Lever } from '../../marks/lever.js'
import { Shown } from '../row.js'
import { SamplePhoto, hasSamplePhoto } from '../sample-photo/sample-photo.js'
import { DisplayThere, PlateThere } from './fields-there.js'
import { TightenedBolts } from './tightened-bolts.js'

type Check = JudgedCheck['check']
/** What is read off the screen of a device. */
const BY_DEVICE: readonly string[] = ['settings', 'roll-call', 'production', 'ct-proof', 'power-balance']
interface Props {
  check: Check
  there: Found
  onKeep: (found: Found) => void
}
type Form<F extends FormName> = Extract<Check['ask'], { kind: 'record'; form: F }>
interface Asked<F extends FormName> {
  check: Check
  form: Form<F>
  there: AnswerOf<F>
  onKeep: (answer: Answer) => void
}

/** What is there: as a picture that whoever looks answers, or in words that are written down. */
export function Seen({ check, there, onKeep }: Props) {
  const { ask, requirement } = check
  if (there.kind === 'observation' && hasSamplePhoto(requirement.id))
    return (
      <Beside picture={<SamplePhoto of={requirement.id} right={there.body.seen} />}>
        <YesOrNo onAnswer={(seen) => onKeep({ ...there, body: { ...there.body, seen } })} />
      </Beside>
    )
  if (there.kind === 'record' && ask.kind === 'record') {
    const answered = {
      check,
      form: ask,
      there: there.body.answer,
      onKeep: (answer: Answer) => onKeep({ ...there, body: { ...there.body, answer } }),
    }
    if (ask.form === 'switches') return <SwitchesSeen {...(answered as Asked<'switches'>)} />
    if (ask.form === 'order') return <OrderSeen {...(answered as Asked<'order'>)} />
    if (ask.form === 'choice' && (requirement.kind === 'indicator' || hasSamplePhoto(requirement.id)))
      return <ChoiceSeen {...(answered as Asked<'choice'>)} />
    if (ask.form === 'fields') return <FieldsSeen {...(answered as Asked<'fields'>)} />
  }
  return <Shown words={sayEvidence(check, there as unknown as Evidence)} onKeep={() => onKeep(there)} />
}

/** The picture, and beside it what it is answered with. */
function Beside({ picture, children }: { picture: ReactNode; children: ReactNode }) {
  return (
    <Flex mt="10px" gap="24px" wrap="wrap" align="flex-start">
      <Box w="400px" maxW="100%">
        {picture}
      </Box>
      <Box flex="1" minW="260px">
        {children}
      </Box>
    </Flex>
  )
}

function YesOrNo({ onAnswer }: { onAnswer: (seen: boolean) => void }) {
  return (
    <Flex gap="8px" mt="10px" wrap="wrap" role="group" aria-label="What do you see?">
      {(['Yes', 'No'] as const).map((label) => (
        <Button key={label} variant="outline" h="52px" minW="88px" onClick={() => onAnswer(label === 'Yes')}>
          {label}
        </Button>
      ))}
    </Flex>
  )
}

function ChoiceSeen({ check: { requirement }, form, there: { chosen }, onKeep }: Asked<'choice'>) {
  const pattern = requirement.kind === 'indicator' && requirement.patterns.find(({ id }) => id === chosen)
  const picture = pattern ? (
    <Box as="figure">
      <chakra.div role="img" aria-label="The indicator">
        <Lamp colour={pattern.colour} beat={pattern.beat ?? []} strip={false} />
      </chakra.div>
      <SmallPrint as="figcaption">The indicator as it is now.</SmallPrint>
    </Box>
  ) : (
    <SamplePhoto of={requirement.id} right chosen={chosen} />
  )
  return (
    <Beside picture={picture}>
      <ChoiceForm form={form} answer={undefined} onChange={(given) => given && onKeep(given)} />
    </Beside>
  )
}

/** The bank as a camera sees it; what is seen is turned in the form that every job has. */
function SwitchesSeen({ form, there, onKeep }: Asked<'switches'>) {
  const [answer, setAnswer] = useState<AnswerOf<'switches'>>()
  const picture = (
    <chakra.figure role="img" aria-label={`Switches: ${saidPositions(form, there)}`}>
      <Bank>
        {form.switches.map(({ id, label }) => (
          <Lever key={id} label={label} position={there.positions[id]} wrong={false} />
        ))}
      </Bank>
      <SmallPrint as="figcaption">Sample photo, drawn.</SmallPrint>
    </chakra.figure>
  )
  return (
    <Beside picture={picture}>
      <SwitchesForm form={form} answer={answer} onChange={setAnswer} />
      <WriteDown ready={answer !== undefined} onWrite={() => answer && onKeep(answer)} />
    </Beside>
  )
}

const saidPositions = ({ switches }: Form<'switches'>, { positions }: AnswerOf<'switches'>): string =>
  switches.map(({ id, label }) => `${label} ${positions[id] ?? 'broken off'}`).join(', ')

/** The bolts as the fitter tightened them; touched again in that order. */
function OrderSeen({ form, there, onKeep }: Asked<'order'>) {
  const [answer, setAnswer] = useState<AnswerOf<'order'>>()
  return (
    <Beside picture={<TightenedBolts items={form.items} done={there.done} />}>
      <OrderForm form={form} answer={answer} onChange={setAnswer} />
      <WriteDown ready={Boolean(answer?.done.length)} onWrite={() => answer && onKeep(answer)} />
    </Beside>
  )
}

/** Printed on a plate, shown by the device itself, or found with tape and eyes. */
function FieldsSeen({
  check: { requirement },
  form: { fields },
  there: { values },
  onKeep,
}: Asked<'fields'>) {
  const Picture = BY_DEVICE.includes(requirement.kind) ? DisplayThere : PlateThere
  return (
    <Beside picture={<Picture fields={fields} values={values} />}>
      <WriteDown ready onWrite={() => onKeep({ values })} />
    </Beside>
  )
}

function WriteDown({ ready, onWrite }: { ready: boolean; onWrite: () => void }) {
  return (
    <Button mt="10px" h="52px" disabled={!ready} onClick={onWrite}>
      Write it down
    </Button>
  )
}
