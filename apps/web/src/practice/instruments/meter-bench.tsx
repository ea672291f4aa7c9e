import { Box, Grid, Text } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import { proofByLoads, type Answer, type ChannelAt } from '@plumb-mark/core'
import type { Sits } from '@plumb-mark/practice'
import { Simulated } from '../../devices/simulated.js'
import { Note, Strong } from '../../ui/theme/text.js'
import { TextField } from '../../ui/text-field.js'
import { LiveHouse } from './live-house.js'
import { Cluster } from '../../ui/cluster.js'
import { HandButton } from '../../ui/buttons.js'

const TICK_MS = 500

/** The house as it is at this moment, going on while somebody looks. */
function useHouse(sits: readonly Sits[]) {
  const [house] = useState(() => new LiveHouse(sits))
  const look = () => ({
    channels: house.channels,
    loads: house.tests.map(({ on, watts }) => ({ on, watts })),
  })
  const [now, setNow] = useState(look)
  useEffect(() => {
    const timer = setInterval(() => {
      house.pass(TICK_MS / 1000)
      setNow(look())
    }, TICK_MS)
    return () => clearInterval(timer)
    // The house is the same as long as somebody looks at it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [house])
  const turn = (phase: number) => {
    house.turn(phase)
    setNow(look())
  }
  return { ...now, turn }
}

/** Known loads are switched by hand, and what changes on each channel of the live meter tells how the transformers sit. */
export function MeterBench({ sits, onKeep }: { sits: readonly Sits[]; onKeep: (answer: Answer) => void }) {
  const { channels, loads, turn } = useHouse(sits)
  const [before, setBefore] = useState<readonly ChannelAt[]>()
  const [typed, setTyped] = useState<readonly string[]>([])
  const { change, answer, problems } = useMemo(
    () =>
      before ? proofByLoads(before, channels, typed) : { change: undefined, answer: undefined, problems: [] },
    [before, channels, typed],
  )
  return (
    <Box as="section" aria-label="Meter, live" mt="10px">
      <Cluster mb="8px">
        <Strong>The meter, live</Strong>
        <Simulated />
      </Cluster>
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
            <HandButton
              variant={loads[i]?.on ? 'solid' : 'outline'}
              aria-pressed={loads[i]?.on}
              mt="4px"
              onClick={() => turn(i)}
            >
              {loads[i]?.watts} W on L{i + 1}
            </HandButton>
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
      <Cluster mt="10px">
        <HandButton variant={before ? 'outline' : 'solid'} onClick={() => setBefore(channels)}>
          {before ? 'Begin again from this moment' : 'Remember this moment, then switch loads'}
        </HandButton>
        {answer && <HandButton onClick={() => onKeep(answer)}>Write down what changed</HandButton>}
      </Cluster>
    </Box>
  )
}
