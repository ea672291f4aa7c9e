import { Box, Grid, Text, chakra } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import type { AnswerOf, JudgedCheck } from '@plumb-mark/core'
import { Note } from '../../../look/text.js'
import { Choose } from '../../../marks/choose.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'

/** s of the strip below a lamp. */
const SHOWN = 4
const STRIP = 200

const Candidate = chakra('button', {
  base: {
    textAlign: 'left',
    display: 'flex',
    flexDirection: 'column',
    gap: '6px',
    p: '14px',
    bg: 'panel',
    border: '2px solid',
    borderColor: 'hair',
    borderRadius: '4px',
    cursor: 'pointer',
    _hover: { borderColor: 'accent' },
    _disabled: { cursor: 'default', borderColor: 'hair' },
    '&[aria-pressed=true]': { borderColor: 'accent', bg: 'accentWash' },
  },
})

/** Every pattern that the sheet knows, blinking as the unit would: one touches that which the real lamp shows. */
export function Indicator({ judged }: { judged: JudgedCheck }) {
  const answer = useAnswerOf(judged) as AnswerOf<'choice'> | undefined
  const keep = useAnswering()
  const [by, setBy] = useState<Seen>({})
  const { requirement, unit } = judged.check
  if (requirement.kind !== 'indicator') return null
  const fitting = requirement.patterns.filter(
    ({ colour, rhythm }) => (!by.colour || by.colour === colour) && (!by.rhythm || by.rhythm === rhythm),
  )
  const seen = requirement.patterns.find(({ id }) => id === answer?.chosen)
  return (
    <Box as="section" aria-label={`${requirement.title}, ${unit.label}`}>
      <UnitHeading judged={judged} />
      <Text mb="10px">{requirement.question}</Text>
      <Narrow patterns={requirement.patterns} by={by} onChange={setBy} />
      <Grid templateColumns="repeat(auto-fill, minmax(200px, 1fr))" gap="10px">
        {fitting.map(({ id, colour, rhythm, beat = [], means }) => (
          <Candidate
            key={id}
            type="button"
            aria-pressed={answer?.chosen === id}
            disabled={!keep}
            onClick={() => keep?.(judged, { chosen: id })}
          >
            {requirement.bars && isCount(id) ? (
              <Bars lit={Number(id)} of={requirement.bars.of} colour={colour} />
            ) : (
              <Lamp colour={colour} beat={beat} />
            )}
            <Text fontWeight={600} fontSize="16px">
              {colour}, {rhythm}
            </Text>
            <Note>{means}</Note>
          </Candidate>
        ))}
      </Grid>
      {seen && (
        <Text mt="10px" fontSize="17px" color={seen.good ? 'text' : 'danger'} role="status">
          <b>{seen.means}</b>
          {seen.next && `: ${seen.next}`}
        </Text>
      )}
    </Box>
  )
}

interface Seen {
  colour?: string
  rhythm?: string
}

const isCount = (id: string): boolean => /^\d+$/.test(id)

/** What is seen, a property at a time: each touch leaves fewer patterns to hold against the real lamp. */
function Narrow({
  patterns,
  by,
  onChange,
}: {
  patterns: readonly { colour: string; rhythm: string }[]
  by: Seen
  onChange: (by: Seen) => void
}) {
  if (patterns.length < 4) return null
  const distinct = (name: 'colour' | 'rhythm') =>
    [...new Set(patterns.map((one) => one[name]))].map((one) => [one, one] as const)
  const toggle = (name: 'colour' | 'rhythm') => (one: string) => {
    const { [name]: before, ...others } = by
    onChange(before === one ? others : { ...others, [name]: one })
  }
  return (
    <Grid gap="8px" mb="12px">
      <Choose
        label="Colour seen"
        options={distinct('colour')}
        value={by.colour ?? ''}
        onChoose={toggle('colour')}
      />
      <Choose
        label="Rhythm seen"
        options={distinct('rhythm')}
        value={by.rhythm ?? ''}
        onChoose={toggle('rhythm')}
      />
    </Grid>
  )
}

/** Bars of charge: so many lit of all. */
function Bars({ lit: count, of, colour }: { lit: number; of: number; colour: string }) {
  const width = STRIP / of
  return (
    <chakra.svg viewBox={`0 0 ${STRIP} 64`} w="100%" maxW="240px" aria-hidden>
      {Array.from({ length: of }, (_, i) => (
        <chakra.rect
          key={i}
          x={i * width + 3}
          y={8}
          width={width - 6}
          height={46}
          rx={3}
          stroke="faint"
          fill={i < count ? (LAMPS[colour] ?? 'accent') : 'sunk'}
        />
      ))}
    </chakra.svg>
  )
}

/** Lit and dark in turn; where motion is not wanted the lamp stays lit, and the strip below says the rhythm. */
function Lamp({ colour, beat: given }: { colour: string; beat: readonly number[] }) {
  const lamp = useRef<SVGCircleElement>(null)
  const fill = LAMPS[colour.toLowerCase()] ?? 'faint'
  // A beat of an odd number of parts ends lit and begins dark: gone through twice, it is even.
  const beat = given.length % 2 === 0 ? given : [...given, ...given]
  const rhythm = beat.join()
  useEffect(() => {
    const period = beat.reduce((sum, one) => sum + one, 0)
    if (period === 0 || !lamp.current?.animate) return
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) return
    const frames = lit(beat, period).flatMap(([from, to]) => [
      { offset: from / period, opacity: 1, easing: 'step-end' },
      { offset: to / period, opacity: 0.12, easing: 'step-end' },
    ])
    const blinking = lamp.current.animate([...frames, { offset: 1, opacity: 1 }], {
      duration: period * 1000,
      iterations: Infinity,
    })
    return () => blinking.cancel()
    // The beat is a new list at every drawing, of the same figures.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [rhythm])
  return (
    <chakra.svg viewBox={`0 0 ${STRIP} 64`} w="100%" maxW="240px" aria-hidden>
      <chakra.circle cx={24} cy={24} r={20} fill="sunk" stroke="faint" />
      <chakra.circle ref={lamp} cx={24} cy={24} r={17} fill={fill} />
      <chakra.rect x={0} y={54} width={STRIP} height={8} fill="sunk" />
      {(beat.length > 0 ? lit(beat, SHOWN) : [[0, SHOWN] as const]).map(([from, to]) => (
        <chakra.rect
          key={from}
          x={(from / SHOWN) * STRIP}
          y={54}
          width={((to - from) / SHOWN) * STRIP}
          height={8}
          fill={fill}
        />
      ))}
    </chakra.svg>
  )
}

/** When the lamp is lit within so many seconds: from, to. */
function lit(beat: readonly number[], within: number): [number, number][] {
  const spans: [number, number][] = []
  for (let at = 0, i = 0; at < within; i++) {
    const length = beat[i % beat.length]!
    if (i % 2 === 0) spans.push([at, Math.min(at + length, within)])
    at += length
  }
  return spans
}

/** The colours of lamps as sheets name them: these are the lamp's own, whatever the theme. */
const LAMPS: Readonly<Record<string, string>> = {
  green: '#2e9e4f',
  red: '#cf2f2f',
  yellow: '#e0b400',
  amber: '#e08a00',
  orange: '#e8700a',
  blue: '#2b6fd6',
  white: '#ffffff',
}
