import { Box, Text } from '@chakra-ui/react'
import { Note, SubTitle } from '../ui/theme/text.js'
import type { Practised } from './session.js'
import { Cluster } from '../ui/cluster.js'
import { Item } from '../ui/list.js'

const MOST = 8

/** Which clauses are missed again, worst first, with how it went lately: the latest at the right. */
export function ByClause({ past }: { past: readonly Practised[] }) {
  const tries = new Map<string, boolean[]>()
  for (const { found = [], missed } of [...past].reverse()) {
    for (const clause of found) tries.set(clause, [...(tries.get(clause) ?? []), true])
    for (const clause of missed) tries.set(clause, [...(tries.get(clause) ?? []), false])
  }
  const missedIn = (all: readonly boolean[]) => all.filter((found) => !found).length
  const rows = [...tries]
    .filter(([, all]) => missedIn(all) > 0)
    .sort(([, a], [, b]) => missedIn(b) / b.length - missedIn(a) / a.length || b.length - a.length)
    .slice(0, MOST)
  if (rows.length === 0) return null
  return (
    <Box as="section" aria-label="What you miss" mt="14px">
      <SubTitle>What you miss</SubTitle>
      <ul>
        {rows.map(([clause, all]) => (
          <Item key={clause}>
            <Cluster justifyContent="space-between">
              <Text>{clause}</Text>
              <Note>
                missed {missedIn(all)} of {all.length}; lately{' '}
                {all
                  .slice(-6)
                  .map((found) => (found ? '✓' : '✗'))
                  .join(' ')}
              </Note>
            </Cluster>
          </Item>
        ))}
      </ul>
    </Box>
  )
}
