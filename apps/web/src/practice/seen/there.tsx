import { Box, chakra } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { canonicalUnit, type AnswerOf, type JudgedCheck } from '@plumb-mark/core'
import type { Found } from '@plumb-mark/practice'
import { SmallPrint } from '../../ui/theme/text.js'
import { Lamp } from '../../ui/lamp.js'
import { Bank, Lever } from '../../ui/lever.js'
import { SamplePhoto, hasSamplePhoto } from '../sample-photo/sample-photo.js'
import { DisplayThere, PlateThere } from './fields-there.js'
import { TightenedBolts } from './tightened-bolts.js'
import { TraceThere } from './trace-there.js'

type Check = JudgedCheck['check']
/** What is read off the screen of a device. */
const BY_DEVICE: readonly string[] = ['settings', 'roll-call', 'production', 'ct-proof', 'power-balance']

/** What is there, drawn; undefined where it is only told in words. */
export function pictureOf({ ask, requirement }: Check, there: Found): ReactNode {
  if (there.kind === 'observation')
    return hasSamplePhoto(requirement.id) && <SamplePhoto of={requirement.id} right={there.body.seen} />
  if (there.kind !== 'record' || ask.kind !== 'record') return undefined
  const { answer } = there.body
  switch (ask.form) {
    case 'choice':
      return choicePicture(requirement, (answer as AnswerOf<'choice'>).chosen)
    case 'switches':
      return <SwitchesThere switches={ask.switches} positions={(answer as AnswerOf<'switches'>).positions} />
    case 'order':
      return <TightenedBolts items={ask.items} done={(answer as AnswerOf<'order'>).done} />
    case 'steps':
      return <StepsThere steps={ask.steps} done={(answer as AnswerOf<'steps'>).done} />
    case 'fields': {
      const On = BY_DEVICE.includes(requirement.kind) ? DisplayThere : PlateThere
      return <On fields={ask.fields} values={(answer as AnswerOf<'fields'>).values} />
    }
    case 'trace':
      return (
        requirement.kind === 'trace-test' && (
          <TraceThere
            answer={answer as AnswerOf<'trace'>}
            unit={canonicalUnit(requirement.watch.dimension)}
          />
        )
      )
    default:
      return undefined
  }
}

function choicePicture(requirement: Check['requirement'], chosen: string): ReactNode {
  if (requirement.kind !== 'indicator')
    return hasSamplePhoto(requirement.id) && <SamplePhoto of={requirement.id} right chosen={chosen} />
  const { colour = '', beat = [] } = requirement.patterns.find(({ id }) => id === chosen) ?? {}
  return (
    <Box as="figure">
      <div role="img" aria-label="The indicator">
        <Lamp colour={colour} beat={beat} strip={false} />
      </div>
      <SmallPrint as="figcaption">The indicator as it is now.</SmallPrint>
    </Box>
  )
}

interface Named {
  id: string
  label: string
}

/** The bank as a camera sees it. */
function SwitchesThere({
  switches,
  positions,
}: {
  switches: readonly Named[]
  positions: AnswerOf<'switches'>['positions']
}) {
  const said = switches.map(({ id, label }) => `${label} ${positions[id] ?? 'broken off'}`).join(', ')
  return (
    <figure role="img" aria-label={`Switches: ${said}`}>
      <Bank>
        {switches.map(({ id, label }) => (
          <Lever key={id} label={label} position={positions[id]} wrong={false} />
        ))}
      </Bank>
      <SmallPrint as="figcaption">Sample photo, drawn.</SmallPrint>
    </figure>
  )
}

/** What was done, and when by the clock of whoever stood beside. */
function StepsThere({ steps, done }: { steps: readonly Named[]; done: AnswerOf<'steps'>['done'] }) {
  const labels = new Map(steps.map(({ id, label }) => [id, label]))
  const inTime = [...done].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
  return (
    <Box as="figure">
      <chakra.ol borderLeft="2px solid" borderColor="accent" pl="14px">
        {inTime.map(({ id, at }) => (
          <chakra.li key={id} py="5px">
            <chakra.span fontFamily="mono" mr="12px">
              {at.slice(11, 19)}
            </chakra.span>
            {labels.get(id) ?? id}
          </chakra.li>
        ))}
      </chakra.ol>
      <SmallPrint as="figcaption">What was done, one after the other.</SmallPrint>
    </Box>
  )
}
