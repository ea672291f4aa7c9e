import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { STAGE_TITLES, type Sheet } from '@plumb-mark/core'
import {
  KIND_GROUPS,
  figureWords,
  groupsOf,
  missingKinds,
  othersThan,
  usualKinds,
  type Edition,
  type Fact,
  type FactKind,
} from '@plumb-mark/manual'
import { Note, SmallPrint, Strong } from '../../ui/theme/text.js'
import { FactRow } from './fact-row.js'
import { GroupHead } from './group-head.js'
import type { OpenBench } from './use-bench.js'

/** What was found: where the manual says two things, what is new against the edition of before, then kind by kind in the order of the walk. */
export function FactList({
  open,
  library,
  ofOthers,
  notDemanded,
  onNotDemanded,
  onLeave,
}: {
  open: OpenBench
  /** Sheets of the same kind of unit, which say what is usual. */
  library: readonly Sheet[]
  /** How many facts were said of other models. */
  ofOthers: number
  /** Kinds that a person said this maker does not demand. */
  notDemanded: readonly FactKind[]
  onNotDemanded: (kind: FactKind) => void
  onLeave: () => void
}) {
  const {
    bench: { facts, decisions },
    edition,
    chosen,
    choose,
    change,
    all,
  } = open
  const row = (i: number) => (
    <FactRow
      key={i}
      fact={facts[i]!}
      others={othersThan(facts[i]!, facts)}
      before={beforeOf(i, edition)}
      decision={decisions.get(i)}
      chosen={i === chosen}
      onChoose={() => choose(i)}
      onDecide={(decision) => change(i, decision)}
    />
  )
  const sections = sectionsOf(facts, edition)
  const first = new Set(sections.flatMap((section) => section.facts))
  const groups = groupsOf(facts)
    .map((group) => ({ ...group, facts: group.facts.filter((i) => !first.has(i)) }))
    .filter((group) => group.facts.length > 0)
  if (facts.length === 0)
    return (
      <Box p="18px">
        <Text>Nothing in this file reads like a demand on an installation.</Text>
        <Button mt="12px" variant="outline" onClick={onLeave}>
          Choose another file
        </Button>
      </Box>
    )
  const group = (key: string, title: string, note: string, own: readonly number[]) => {
    const left = own.filter((i) => !decisions.has(i))
    return (
      <Box key={key}>
        <GroupHead title={title} note={note}>
          {left.length > 1 && (
            <Button
              variant="plain"
              minH="36px"
              aria-label={`Accept all ${left.length}: ${title}`}
              onClick={() => all(left, { kind: 'accepted' })}
            >
              Accept all {left.length}
            </Button>
          )}
        </GroupHead>
        <Rows all={own} chosen={chosen} row={row} />
      </Box>
    )
  }
  return (
    <Box overflowY="auto" minH={0} flex="1" role="region" aria-label="What was found">
      {sections.map(({ title, note, facts: own }) =>
        title === TWICE ? (
          <Box key={title}>
            <GroupHead title={title} note={note} />
            {own.map(row)}
          </Box>
        ) : (
          group(title, title, note, own)
        ),
      )}
      {groups.map(({ kind, title, stage, facts: own }) => group(kind, title, STAGE_TITLES[stage], own))}
      <Box px="16px" py="16px">
        {edition && edition.comparison.gone.length > 0 && <Gone open={open} edition={edition} />}
        <Missing
          kinds={missingKinds(facts, usualKinds(library))}
          notDemanded={notDemanded}
          onNotDemanded={onNotDemanded}
        />
        {ofOthers > 0 && <Note mt="8px">{ofOthers} figures are said of other models and stand aside.</Note>}
        <Button mt="12px" variant="outline" onClick={onLeave}>
          Choose another file
        </Button>
      </Box>
    </Box>
  )
}

const TWICE = 'Said twice, and not the same'

/** What a person must look at before the rest. */
function sectionsOf(
  facts: readonly Fact[],
  edition: Edition | undefined,
): { title: string; note: string; facts: number[] }[] {
  const numbers = facts.map((_, i) => i)
  const twice = numbers.filter((i) => facts[i]!.contradicts)
  const corrected = numbers.filter((i) => facts[i]!.replaces && !facts[i]!.contradicts)
  const rest = numbers.filter((i) => !facts[i]!.contradicts && !facts[i]!.replaces)
  const stateOf = (i: number) => edition?.comparison.of.get(i)
  return [
    { title: TWICE, note: 'decide which counts', facts: twice },
    { title: 'Corrected by the manual itself', note: 'both places are named', facts: corrected },
    {
      title: 'Changed since the edition of before',
      note: 'waits for you',
      facts: edition ? rest.filter((i) => stateOf(i)?.isSame === false) : [],
    },
    {
      title: 'New in this edition',
      note: 'the sheet of before says nothing of it',
      facts: edition ? rest.filter((i) => !stateOf(i)) : [],
    },
  ].filter((section) => section.facts.length > 0)
}

/** What the sheet of before says of the same. */
function beforeOf(fact: number, edition: Edition | undefined) {
  const match = edition?.comparison.of.get(fact)
  return match && { fact: edition!.facts[match.before]!.fact, isSame: match.isSame }
}

/** Demands of the edition of before that were not found: they stay until a person says otherwise. */
function Gone({ open: { toggleRemoved }, edition }: { open: OpenBench; edition: Edition }) {
  return (
    <Box mb="18px" role="region" aria-label="In the sheet, not found in this edition">
      <Strong>In the sheet, not found in this edition</Strong>
      <Note>It stays as it is, unless you say that it is not demanded any more.</Note>
      {edition.comparison.gone.map((number) => {
        const { fact } = edition.facts[number]!
        const isRemoved = edition.removed.includes(number)
        return (
          <Flex key={number} align="center" gap="10px" minH="44px">
            <Text flex="1" textDecoration={isRemoved ? 'line-through' : undefined}>
              {fact.subject} <SmallPrint as="span">{figureWords(fact) || fact.text}</SmallPrint>
            </Text>
            <Button
              variant={isRemoved ? 'solid' : 'outline'}
              aria-pressed={isRemoved}
              aria-label={`No longer demanded: ${fact.subject}`}
              onClick={() => toggleRemoved(number)}
            >
              No longer demanded
            </Button>
          </Flex>
        )
      })}
    </Box>
  )
}

/** What sheets of this kind usually demand and was not found. */
export function Missing({
  kinds,
  notDemanded,
  onNotDemanded,
}: {
  kinds: readonly FactKind[]
  notDemanded: readonly FactKind[]
  onNotDemanded: (kind: FactKind) => void
}) {
  if (kinds.length === 0) return null
  return (
    <>
      <Strong>Usual, and not found</Strong>
      <Note>
        Look for it in the pages: drag over the place and say what it is. Or say that this maker does not
        demand it.
      </Note>
      {kinds.map((kind) => (
        <Flex key={kind} align="center" gap="10px" minH="44px">
          <Text flex="1">{KIND_GROUPS[kind].title}</Text>
          <Button
            variant={notDemanded.includes(kind) ? 'solid' : 'outline'}
            aria-pressed={notDemanded.includes(kind)}
            aria-label={`Not demanded: ${KIND_GROUPS[kind].title}`}
            onClick={() => onNotDemanded(kind)}
          >
            Not demanded
          </Button>
        </Flex>
      ))}
    </>
  )
}

/** More of one kind than this are shown when somebody asks for them: so many rows at once would hold the screen up. */
const SHOWN = 30

function Rows({
  all,
  chosen,
  row,
}: {
  all: readonly number[]
  chosen: number | undefined
  row: (fact: number) => React.ReactNode
}) {
  const [whole, setWhole] = useState(false)
  const isBeyond = chosen !== undefined && all.indexOf(chosen) >= SHOWN
  const shown = whole || isBeyond ? all : all.slice(0, SHOWN)
  return (
    <>
      {shown.map(row)}
      {shown.length < all.length && (
        <Button variant="plain" mx="12px" onClick={() => setWhole(true)}>
          Show the other {all.length - shown.length}
        </Button>
      )}
    </>
  )
}
