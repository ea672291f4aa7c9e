import { Button, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { sayThing, type Scenario, type Thing, type ThingFound } from '@plumb-mark/practice'
import { SmallPrint } from '../look/text.js'
import { Row, Shown, WillBeFine } from './row.js'
import { unseen } from './session.js'

/** A thing beside its drawing: what the tape or the print on it says may be otherwise. */
export function ThingPlace({ thing, scenario }: { thing: Thing; scenario: Scenario }) {
  const [looked, setLooked] = useState(false)
  const there = scenario.truth.get(thing.key) as ThingFound
  return (
    <Row where={thing.key} title={thing.title} place={thing.place} state={<SmallPrint>taken</SmallPrint>}>
      {(keep, takeBack) => (
        <>
          <Text>As drawn: {sayThing(thing.drawn)}</Text>
          <Flex gap="8px" mt="10px" wrap="wrap">
            <Button h="52px" onClick={() => setLooked(true)}>
              {thing.drawn.kind === 'unit-fitted' ? 'Take the tape' : 'Read it'}
            </Button>
            <WillBeFine onKeep={() => keep(unseen(scenario, thing.key))} />
            {takeBack}
          </Flex>
          {looked && <Shown words={sayThing(there)} onKeep={() => keep(there)} />}
        </>
      )}
    </Row>
  )
}
