import { Button, Flex, Text, chakra } from '@chakra-ui/react'
import { useMemo } from 'react'
import { PROPOSED_WORDS, capital, proposalsIn, type Proposed, type ProposedArea } from '@plumb-mark/core'
import { useInspection } from '../job/inspection.js'
import { useCommit } from '../job/use-commit.js'
import { useWritable } from '../job/use-writable.js'
import { Small } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'
import { Summary } from '../ui/buttons.js'

/** What of some areas is proposed and confirmed by nobody, as it is kept. */
export function useProposals(...areas: ProposedArea[]): readonly Proposed[] {
  const asBuilt = useInspection(({ committed }) => committed?.state.asBuilt)
  const wanted = areas.join(' ')
  return useMemo(
    () => (asBuilt ? proposalsIn(asBuilt).filter(({ area }) => wanted.split(' ').includes(area)) : []),
    [asBuilt, wanted],
  )
}

/** The proposal that stands for one thing; undefined once somebody confirmed it. */
export function useProposal(kind: Proposed['kind'], id: string | undefined): Proposed | undefined {
  const asBuilt = useInspection(({ committed }) => committed?.state.asBuilt)
  return useMemo(
    () =>
      asBuilt && id ? proposalsIn(asBuilt).find((one) => one.kind === kind && one.id === id) : undefined,
    [asBuilt, kind, id],
  )
}

/** Says that something is a proposal and no fact, with the one touch that makes it one. */
export function ProposedNote({ things, writable }: { things: readonly Proposed[]; writable: boolean }) {
  const commit = useCommit()
  const confirm = () =>
    commit({ kind: 'confirmed', body: { things: things.map(({ kind, id }) => ({ kind, id })) } })
  const one = things.length === 1
  return (
    <Cluster role="note" mb="10px" pl="12px" borderLeft="4px dashed" borderColor="unproven">
      <Small flex="1 1 220px">
        {one
          ? `${capital(PROPOSED_WORDS[things[0]!.kind])} ${things[0]!.label}: proposed, and not seen on site yet. It proves nothing.`
          : `${things.length} things here are proposed, and not seen on site yet. They prove nothing.`}
      </Small>
      {writable && (
        <Button variant="outline" onClick={confirm}>
          {one ? 'It stands so: confirm' : `All ${things.length} stand so: confirm`}
        </Button>
      )}
    </Cluster>
  )
}

/** What of this stage waits to be confirmed: each by itself, or all of them after a look. */
export function ProposedBar({ areas }: { areas: readonly ProposedArea[] }) {
  const things = useProposals(...areas)
  const writable = useWritable()
  const commit = useCommit()
  if (things.length === 0) return null
  return (
    <chakra.section aria-label="Proposed, to be confirmed" mx={{ base: '8px', lg: '20px' }} my="8px">
      <ProposedNote things={things} writable={writable} />
      {things.length > 1 && (
        <details>
          <Summary>One by one</Summary>
          <ul>
            {things.map((thing) => (
              <chakra.li layerStyle="ruleBelow" key={`${thing.kind} ${thing.id}`}>
                <Flex align="center" gap="10px" minH="48px">
                  <Text flex="1">
                    {PROPOSED_WORDS[thing.kind]} {thing.label}
                  </Text>
                  {writable && (
                    <Button
                      variant="plain"
                      aria-label={`Confirm ${PROPOSED_WORDS[thing.kind]} ${thing.label}`}
                      onClick={() =>
                        commit({ kind: 'confirmed', body: { things: [{ kind: thing.kind, id: thing.id }] } })
                      }
                    >
                      Confirm
                    </Button>
                  )}
                </Flex>
              </chakra.li>
            ))}
          </ul>
        </details>
      )}
    </chakra.section>
  )
}
