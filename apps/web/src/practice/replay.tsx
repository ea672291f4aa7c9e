import { Box, Text } from '@chakra-ui/react'
import { sayEvidence, type Evidence } from '@plumb-mark/core'
import { isThing, sayThing, type Planted, type Scenario } from '@plumb-mark/practice'
import { Note, Strong } from '../ui/theme/text.js'
import { BareWall } from './instruments/bare-wall.js'
import { pictureOf } from './seen/there.js'
import { Cluster } from '../ui/cluster.js'

/** A fault once more: where it was to be seen, what would have been read or seen there, and by which clause it is one. */
export function Replay({ fault, scenario }: { fault: Planted; scenario: Scenario }) {
  const { title, place, clause, remedy } = fault
  return (
    <Cluster gap="24px" alignItems="flex-start">
      <Box flex="1" minW="260px">
        <Strong>
          {title}, {place}
        </Strong>
        <Text>{saidOf(fault, scenario)}</Text>
        <Note>
          Clause {clause}. {remedy}
        </Note>
      </Box>
      <Box w="320px" maxW="100%">
        <There fault={fault} scenario={scenario} />
      </Box>
    </Cluster>
  )
}

function There({ fault: { found, where }, scenario }: { fault: Planted; scenario: Scenario }) {
  if (isThing(found))
    return found.kind === 'unit-fitted' && found.body.place ? (
      <BareWall scenario={scenario} wallId={found.body.place.wallId} />
    ) : null
  const check = checkAt(scenario, where)
  if (!check) return null
  return (
    pictureOf(check, found) || (
      <Text fontFamily="mono" fontSize="20px">
        {sayEvidence(check, found as unknown as Evidence)}
      </Text>
    )
  )
}

const checkAt = ({ checks }: Scenario, where: Planted['where']) =>
  checks.find((one) => one.check.point === where)?.check

/** What is wrong there, in words: a question is answered, a thing says what it is. */
function saidOf({ what, where, found, finding }: Planted, scenario: Scenario): string {
  const ask = checkAt(scenario, where)?.ask
  if (ask?.kind === 'observation') return `${ask.question} No.`
  const says = isThing(found) ? ` There it says or measures ${sayThing(found)}.` : ''
  return `${sentence(what)}.${says} ${sentence(finding)}`
}

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
