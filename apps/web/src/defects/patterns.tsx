import { Box, Text, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import type { PatternRow } from '@plumb-mark/contract'
import {
  PATTERNS_BY,
  suggestionFor,
  type PatternsBy,
  type PatternSays,
  type PatternSuggestion,
} from '@plumb-mark/core'
import { useResource } from '../data/resource.js'
import { Note, SmallMono, SmallPrint, SubTitle } from '../ui/theme/text.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { Cluster } from '../ui/cluster.js'
import { shape } from '../ui/drawings/shape.js'
import { Item } from '../ui/list.js'

const BY_WORDS = {
  clause: 'clause',
  maker: 'maker',
  model: 'model',
  revision: 'revision of the sheet',
  installer: 'installer',
  season: 'season',
} satisfies Record<PatternsBy, string>

const SAYS = {
  'stands-out': 'fails more often than the others',
  'as-expected': 'no more than chance',
  seldom: 'fails less often than the others',
  'too-few': 'too few to tell',
} satisfies Record<PatternSays, string>

/** What the office might do about it. */
const SUGGESTS = {
  train: 'A training on what fails most here may help: see it by clause.',
  'look-at-the-season': 'Look at what differs then: light, cold, hurry before the year ends.',
  'look-earlier': 'Look at it earlier in the walk, before covers are closed.',
  'note-in-sheet': 'A note in the sheet where it is asked may help.',
} satisfies Record<PatternSuggestion, string>

/** What recurs, with how sure that is: a rate, the range that so few or so many leave it, and what the others lead one to expect. */
export function Patterns() {
  const [by, setBy] = useState<PatternsBy>('clause')
  const { value: data, problem } = useResource<PatternRow[]>(`/api/patterns?by=${by}`)
  return (
    <Box as="section" aria-label="What comes back" mt="22px">
      <Cluster justifyContent="space-between" alignItems="end">
        <SubTitle>What comes back, and how sure that is</SubTitle>
        <ChoiceField label="By" value={by} options={optionsOf(PATTERNS_BY, BY_WORDS)} onChange={setBy} />
      </Cluster>
      <Problem>{problem}</Problem>
      {data?.length === 0 && <Text mt="8px">Nothing has been judged yet.</Text>}
      {data && data.length > 0 && (
        <>
          <chakra.ul mt="6px" aria-label="Patterns">
            {data.slice(0, SHOWN).map((pattern) => (
              <Row key={pattern.key} pattern={pattern} by={by} />
            ))}
          </chakra.ul>
          <SmallPrint mt="6px">
            Each clause counts once in a job. The bar is the rate, the line the range that the count leaves it
            (95 %), the tick what the others lead one to expect. With fewer than ten nothing is said.
          </SmallPrint>
        </>
      )}
    </Box>
  )
}

const SHOWN = 12

function Row({ pattern, by }: { pattern: PatternRow; by: PatternsBy }) {
  const { key, failed, judged, rate, low, high, says } = pattern
  const suggestion = suggestionFor(pattern, by)
  return (
    <Item>
      <Cluster justifyContent="space-between" rowGap="2px">
        <Text fontWeight={says === 'stands-out' ? 600 : 400} flex="1 1 260px">
          {key}
        </Text>
        <SmallMono>
          {failed} of {judged}
        </SmallMono>
        <Text w="220px" color={says === 'stands-out' ? 'danger' : 'faint'} fontSize="14px">
          {SAYS[says]}
        </Text>
      </Cluster>
      <Scale pattern={pattern} label={`${percent(rate)}, between ${percent(low)} and ${percent(high)}`} />
      {suggestion && <Note>{SUGGESTS[suggestion]}</Note>}
    </Item>
  )
}

const percent = (part: number) => `${Math.round(100 * part)} %`

function Scale({
  pattern: { rate, low, high, expected, says },
  label,
}: {
  pattern: PatternRow
  label: string
}) {
  const x = (part: number) => 4 + part * 392
  return (
    <chakra.svg
      viewBox="0 0 400 16"
      preserveAspectRatio="xMinYMid meet"
      w="100%"
      maxW="520px"
      h="16px"
      role="img"
      aria-label={label}
    >
      <shape.rect
        x={x(0)}
        y={5}
        width={Math.max(1, x(rate) - x(0))}
        height={6}
        fill={says === 'stands-out' ? 'danger' : 'accent'}
        opacity={0.8}
      />
      <shape.path
        d={`M${x(low)} 8 H${x(high)} M${x(low)} 4 V12 M${x(high)} 4 V12`}
        stroke="text"
        strokeWidth="1.5px"
        fill="none"
      />
      <shape.path d={`M${x(expected)} 0 V16`} stroke="unproven" strokeWidth="3px" />
    </chakra.svg>
  )
}
