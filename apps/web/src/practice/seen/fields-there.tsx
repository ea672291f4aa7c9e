import { Box, chakra } from '@chakra-ui/react'
import type { AnswerOf, FormField } from '@plumb-mark/core'
import { SmallPrint } from '../../ui/theme/text.js'
import { useSeconds } from '../../ui/use-seconds.js'

const List = chakra('dl', {
  base: {
    display: 'grid',
    gridTemplateColumns: 'auto 1fr',
    gap: '6px 18px',
    p: '14px 18px',
    borderRadius: '10px',
    '& dd': { fontFamily: 'mono', textAlign: 'right' },
  },
  variants: {
    on: {
      plate: { bg: 'paper', border: '2px solid', borderColor: 'text', '& dt': { color: 'faint' } },
      display: { bg: 'text', color: 'paper', border: '6px solid', borderColor: 'faint', fontFamily: 'mono' },
    },
  },
})

interface Props {
  fields: readonly FormField[]
  values: AnswerOf<'fields'>['values']
}

/** Printed on a plate, or found with tape and eyes: what is there, without a word of what should be. */
export function PlateThere(props: Props) {
  return (
    <Box as="figure">
      <List on="plate" aria-label="What is there">
        <Rows {...props} />
      </List>
      <SmallPrint as="figcaption">Drawn as it is there.</SmallPrint>
    </Box>
  )
}

/** What the screen of a device shows now; what is power is never quite still. */
export function DisplayThere({ fields, values }: Props) {
  const now = useSeconds(true) / 1000
  const moving = Object.entries(values).map(([id, one]) => [id, { typed: live(one.typed, now) }] as const)
  return (
    <Box as="figure">
      <List on="display" aria-label="Display of the device">
        <Rows fields={fields} values={Object.fromEntries(moving)} />
      </List>
      <SmallPrint as="figcaption">The display, drawn. What is written down is its average.</SmallPrint>
    </Box>
  )
}

const Rows = ({ fields, values }: Props) =>
  fields.map(({ id, label }) => (
    <chakra.div key={id} display="contents">
      <dt>{label}</dt>
      <dd>{values[id]?.typed ?? '– –'}</dd>
    </chakra.div>
  ))

/** Sun and loads move a little from second to second, about one part in two hundred. */
function live(typed: string, now: number): string {
  const watts = /^(-?\d+) W$/.exec(typed)
  if (!watts) return typed
  const value = Number(watts[1])
  return `${Math.round(value + (value / 200) * Math.sin(now * 1.7 + value))} W`
}
