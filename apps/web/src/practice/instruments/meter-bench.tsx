import { Box, Button, Flex, Grid, Text } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import { proofByLoads, type Answer, type ChannelAt } from '@plumb-mark/core'
import { advance, house, meterReadings, type Plant } from '@plumb-mark/devices/site'
import type { Sits } from '@plumb-mark/practice'
import { Simulated } from '../../devices/simulated.js'
import { Note } from '../../look/text.js'
import { TextField } from '../../marks/text-field.js'

const VOLTS = 230
const BASE_LOADS = [900, 700, 600]
const TICK_MS = 500

/** What the meter shows on every channel at this moment. */
function channelsOf(plant: Plant): ChannelAt[] {
  return meterReadings(plant).map(({ watts, vars }) => ({ voltage: VOLTS, active: watts, reactive: vars }))
}

/** A house whose transformers sit so, simulated as the stand-in meters are, going on while somebody looks. */
function useHouse(sits: readonly Sits[]) {
  const [plant] = useState((): Plant => {
    const sound = house('Practice', sits.length, VOLTS, [], BASE_LOADS)
    return { ...sound, transformers: [...sits] }
  })
  const [now, setNow] = useState<{ channels: ChannelAt[]; on: boolean[] }>({ channels: [], on: [] })
  const tests = plant.loads.filter(({ name }) => name === 'test')
  const look = () => setNow({ channels: channelsOf(plant), on: tests.map(({ on }) => on) })
  useEffect(() => {
    const timer = setInterval(() => {
      advance(plant, TICK_MS / 1000)
      look()
    }, TICK_MS)
    return () => clearInterval(timer)
    // The house is the same as long as somebody looks at it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [plant])
  const turn = (i: number) => {
    tests[i]!.on = !tests[i]!.on
    look()
  }
  return { ...now, watts: tests.map(({ watts }) => watts), turn }
}

/** Known loads are switched by hand, and what changes on each channel of the live meter tells how the transformers sit. */
export function MeterBench({ sits, onKeep }: { sits: readonly Sits[]; onKeep: (answer: Answer) => void }) {
  const { channels, on, watts, turn } = useHouse(sits)
  const [before, setBefore] = useState<readonly ChannelAt[]>()
  const [typed, setTyped] = useState<readonly string[]>([])
  const { change, answer, problems } = useMemo(
    () =>
      before ? proofByLoads(before, channels, typed) : { change: undefined, answer: undefined, problems: [] },
    [before, channels, typed],
  )
  return (
    <Box as="section" aria-label="Meter, live" mt="10px">
      <Flex gap="12px" align="center" wrap="wrap" mb="8px">
        <Text fontWeight={600}>The meter, live</Text>
        <Simulated />
      </Flex>
      <Grid templateColumns={{ base: '1fr', sm: `repeat(${sits.length}, 1fr)` }} gap="12px">
        {channels.map(({ active }, i) => (
          <Box key={i}>
            <Note>channel {i + 1} now</Note>
            <Text fontFamily="mono" fontSize="24px">
              {Math.round(active)} W
            </Text>
            <Note minH="20px">
              {change &&
                `changed by ${Math.round(change[i]!.active)} W, ${Math.round(change[i]!.reactive)} var`}
            </Note>
            <Button
              variant={on[i] ? 'solid' : 'outline'}
              aria-pressed={on[i]}
              h="52px"
              mt="4px"
              onClick={() => turn(i)}
            >
              {watts[i]} W on L{i + 1}
            </Button>
            {before && (
              <TextField
                label={`Switched on L${i + 1}, W`}
                value={typed[i] ?? ''}
                inputMode="decimal"
                problem={problems[i]}
                onChange={(text) => setTyped(sits.map((_, k) => (k === i ? text : (typed[k] ?? ''))))}
              />
            )}
          </Box>
        ))}
      </Grid>
      <Flex gap="10px" mt="10px" wrap="wrap">
        <Button variant={before ? 'outline' : 'solid'} h="52px" onClick={() => setBefore(channels)}>
          {before ? 'Begin again from this moment' : 'Remember this moment, then switch loads'}
        </Button>
        {answer && (
          <Button h="52px" onClick={() => onKeep(answer)}>
            Write down what changed
          </Button>
        )}
      </Flex>
    </Box>
  )
}
