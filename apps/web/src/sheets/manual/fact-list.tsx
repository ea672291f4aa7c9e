import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { STAGE_TITLES } from '@plumb-mark/core'
import {
  KIND_GROUPS,
  groupsOf,
  missingKinds,
  type Decision,
  type FactKind,
  type Workbench,
} from '@plumb-mark/manual'
import { Note } from '../../ui/theme/text.js'
import { FactRow } from './fact-row.js'

/** What was found, in the order of the walk: contradictions first, then by kind, and what is usual and was not found. */
export function FactList({
  bench,
  ofOthers,
  chosen,
  onChoose,
  onDecide,
  onAll,
  notDemanded,
  onNotDemanded,
  onLeave,
}: {
  bench: Workbench
  /** How many facts were said of other models. */
  ofOthers: number
  chosen: number | undefined
  onChoose: (fact: number) => void
  onDecide: (fact: number, decision: Decision) => void
  onAll: (facts: readonly number[], decision: Decision) => void
  /** Kinds that a person said this maker does not demand. */
  notDemanded: readonly FactKind[]
  onNotDemanded: (kind: FactKind) => void
  onLeave: () => void
}) {
  const { facts, decisions } = bench
  const row = (i: number) => (
    <FactRow
      key={i}
      fact={facts[i]!}
      decision={decisions.get(i)}
      chosen={i === chosen}
      onChoose={() => onChoose(i)}
      onDecide={(decision) => onDecide(i, decision)}
    />
  )
  const contradicting = facts.flatMap(({ contradicts }, i) => (contradicts ? [i] : []))
  const groups = groupsOf(facts)
    .map((group) => ({ ...group, facts: group.facts.filter((i) => !contradicting.includes(i)) }))
    .filter((group) => group.facts.length > 0)
  const missing = missingKinds(facts)
  if (facts.length === 0)
    return (
      <Box p="18px">
        <Text>Nothing in this file reads like a demand on an installation.</Text>
        <Button mt="12px" variant="outline" onClick={onLeave}>
          Choose another file
        </Button>
      </Box>
    )
  return (
    <Box overflowY="auto" minH={0} flex="1" role="region" aria-label="What was found">
      {contradicting.length > 0 && (
        <>
          <GroupHead title="Said twice, and not the same" note="decide which counts" />
          {contradicting.map(row)}
        </>
      )}
      {groups.map(({ kind, title, stage, facts: own }) => {
        const open = own.filter((i) => !decisions.has(i))
        return (
          <Box key={kind}>
            <GroupHead title={title} note={STAGE_TITLES[stage]}>
              {open.length > 1 && (
                <Button variant="plain" minH="36px" onClick={() => onAll(open, { kind: 'accepted' })}>
                  Accept all {open.length}
                </Button>
              )}
            </GroupHead>
            <Rows all={own} chosen={chosen} row={row} />
          </Box>
        )
      })}
      <Box px="16px" py="16px">
        {missing.length > 0 && (
          <>
            <Text fontWeight={600}>Usual, and not found</Text>
            <Note>
              Look for it in the pages: drag over the place and say what it is. Or say that this maker does
              not demand it.
            </Note>
            {missing.map((kind) => (
              <Flex key={kind} align="center" gap="10px" minH="44px">
                <Text flex="1">{KIND_GROUPS[kind].title}</Text>
                <Button
                  variant={notDemanded.includes(kind) ? 'solid' : 'outline'}
                  aria-pressed={notDemanded.includes(kind)}
                  onClick={() => onNotDemanded(kind)}
                >
                  Not demanded
                </Button>
              </Flex>
            ))}
          </>
        )}
        {ofOthers > 0 && <Note mt="8px">{ofOthers} figures are said of other models and stand aside.</Note>}
        <Button mt="12px" variant="outline" onClick={onLeave}>
          Choose another file
        </Button>
      </Box>
    </Box>
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

function GroupHead({ title, note, children }: { title: string; note: string; children?: React.ReactNode }) {
  return (
    <Flex
      position="sticky"
      top={0}
      zIndex={1}
      bg="paper"
      px="16px"
      py="6px"
      minH="44px"
      gap="10px"
      align="center"
      borderBottom="1px solid"
      borderColor="hair"
    >
      <Text as="h2" fontWeight={600}>
        {title}
      </Text>
      <Note flex="1">{note}</Note>
      {children}
    </Flex>
  )
}
