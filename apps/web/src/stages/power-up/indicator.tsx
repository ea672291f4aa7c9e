import { Box, Grid, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import type { AnswerOf, JudgedCheck } from '@plumb-mark/core'
import { Note } from '../../ui/theme/text.js'
import { Choose } from '../../ui/choose.js'
import { LAMPS, Lamp } from '../../ui/lamp.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'
import { shape } from '../../ui/drawings/shape.js'

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
        <shape.rect
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
