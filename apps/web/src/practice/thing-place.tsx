import { Box, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { sayThing, type Found, type Scenario, type Thing, type ThingFound } from '@plumb-mark/practice'
import { SmallPrint } from '../ui/theme/text.js'
import { QuantityInput } from '../ui/quantity-input.js'
import { WallWithTape } from './instruments/wall-with-tape.js'
import { Row, Shown, WillBeFine } from './row.js'
import { unseen } from './session.js'
import { Cluster } from '../ui/cluster.js'
import { HandButton } from '../ui/buttons.js'

type UnitFound = ThingFound & { kind: 'unit-fitted' }

/** A thing beside its drawing: what the tape or the print on it says may be otherwise. */
export function ThingPlace({ thing, scenario }: { thing: Thing; scenario: Scenario }) {
  const [looked, setLooked] = useState(false)
  const { drawn, key, title, place } = thing
  const there = scenario.truth.get(key) as ThingFound
  const onWall = drawn.kind === 'unit-fitted'
  return (
    <Row where={key} title={title} place={place} state={<SmallPrint>taken</SmallPrint>}>
      {(keep, takeBack) => (
        <>
          <Text>As drawn: {sayThing(drawn)}</Text>
          {onWall && looked && <WallWithTape scenario={scenario} unit={drawn} />}
          {onWall && looked && <Offsets unit={drawn} onKeep={keep} />}
          <Cluster mt="10px">
            {!(onWall && looked) && (
              <HandButton onClick={() => setLooked(true)}>{onWall ? 'Take the tape' : 'Read it'}</HandButton>
            )}
            <WillBeFine onKeep={() => keep(unseen(scenario, key))} />
            {takeBack}
          </Cluster>
          {!onWall && looked && <Shown words={sayThing(there)} onKeep={() => keep(there)} />}
        </>
      )}
    </Row>
  )
}

/** Where the unit hangs, as the trainee taped it. */
function Offsets({ unit, onKeep }: { unit: UnitFound; onKeep: (found: Found) => void }) {
  const [x, setX] = useState<number>()
  const [y, setY] = useState<number>()
  const { body } = unit
  const write = () =>
    x !== undefined &&
    y !== undefined &&
    onKeep({ ...unit, body: { ...body, place: { ...body.place!, x, y } } })
  return (
    <Cluster alignItems="end">
      <Box w="200px">
        <QuantityInput
          label="Left edge, from the left"
          dimension="length"
          unit="mm"
          value={x}
          onChange={setX}
        />
      </Box>
      <Box w="200px">
        <QuantityInput
          label="Lower edge, from the floor"
          dimension="length"
          unit="mm"
          value={y}
          onChange={setY}
        />
      </Box>
      <HandButton disabled={x === undefined || y === undefined} onClick={write}>
        Write it down
      </HandButton>
    </Cluster>
  )
}
