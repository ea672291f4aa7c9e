import { Box, Button, Text, chakra } from '@chakra-ui/react'
import { SAFETY_WORDS, type Planted, type Scenario, type Score } from '@plumb-mark/practice'
import { Replay } from './replay.js'
import { usePractice } from './session.js'
import { Lead, PartHeading } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'
import { Item } from '../ui/list.js'

/** What was found, missed and invented; each missed fault once more: where it was to be seen, by which clause, what one would have read. */
export function Result({ scenario, score }: { scenario: Scenario; score: Score }) {
  const { wish, begin, leave } = usePractice()
  const { found, missed, invented, open, unsafe, points, passed } = score
  return (
    <Box mt="10px" aria-live="polite">
      <Text
        fontFamily="heading"
        fontSize="44px"
        fontWeight={600}
        color={passed ? 'accent' : 'danger'}
        lineHeight={1.1}
      >
        {points} of 100
      </Text>
      <Lead>
        {passed ? 'Passed' : 'Not passed'}: {found.length} of {scenario.planted.length} faults found,{' '}
        {invented.length} invented, {open.length} left open.
      </Lead>
      {unsafe.length > 0 && (
        <Box as="section" aria-label="Touched before it was safe" mt="18px">
          <Text as="h2" fontWeight={600} fontSize="20px" color="danger">
            Touched before it was safe
          </Text>
          <chakra.ul pl="20px" listStyleType="disc">
            {unsafe.map(({ checkId, title, place, wanting }) => (
              <li key={checkId}>
                {title}, {place}: first {SAFETY_WORDS[wanting].toLowerCase()}
              </li>
            ))}
          </chakra.ul>
        </Box>
      )}
      <Faults title="Missed" faults={missed} scenario={scenario} />
      {invented.length > 0 && (
        <Box as="section" mt="18px">
          <PartHeading as="h2">Invented</PartHeading>
          <chakra.ul pl="20px" listStyleType="disc">
            {invented.map(({ id, title, place }) => (
              <li key={id}>
                {title}, {place}: nothing was wrong there
              </li>
            ))}
          </chakra.ul>
        </Box>
      )}
      <Faults title="Found" faults={found} scenario={scenario} />
      <Cluster mt="20px">
        {wish && <Button onClick={() => void begin(wish)}>The same again</Button>}
        {wish && !wish.faults && (
          <Button variant="outline" onClick={() => void begin({ ...wish, seed: wish.seed + 1 })}>
            The next one
          </Button>
        )}
        <Button variant="plain" onClick={leave}>
          Another subject
        </Button>
      </Cluster>
    </Box>
  )
}

function Faults({
  title,
  faults,
  scenario,
}: {
  title: string
  faults: readonly Planted[]
  scenario: Scenario
}) {
  if (faults.length === 0) return null
  return (
    <Box as="section" aria-label={title} mt="18px">
      <PartHeading as="h2">{title}</PartHeading>
      <ul>
        {faults.map((fault) => (
          <Item key={fault.where}>
            <Replay fault={fault} scenario={scenario} />
          </Item>
        ))}
      </ul>
    </Box>
  )
}
