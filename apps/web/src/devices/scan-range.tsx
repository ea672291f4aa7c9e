import { Button, Grid, Text, chakra } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import type { DeviceFound, ScanStep } from '@plumb-mark/contract'
import { MOST_ADDRESSES, addressCount } from '@plumb-mark/core'
import { TextField } from '../ui/text-field.js'
import { Simulated } from './simulated.js'
import { Danger } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'
import { Summary } from '../ui/buttons.js'

type Range = Record<'from' | 'to' | 'fromPort' | 'toPort', string>

/** What is wrong with a range, said in its field before anything is called. */
function problemsOf({ from, to, fromPort, toPort }: Range): Partial<Range> {
  if (addressCount(from, from) === 0) return { from: 'an address in figures, as in 192.168.1.20' }
  const addresses = addressCount(from, to)
  if (addresses === 0) return { to: 'an address in figures, not before the first' }
  const ports = Number(toPort) - Number(fromPort) + 1
  if (!(ports >= 1)) return { toPort: 'a number, not below the first' }
  return addresses * ports > MOST_ADDRESSES
    ? { to: `at most ${MOST_ADDRESSES} addresses and ports together, these are ${addresses * ports}` }
    : {}
}

/** Looks through a small range of addresses and ports, telling how far it is; it can be stopped at any time. */
export function ScanRange({ onFound }: { onFound: (device: DeviceFound) => void }) {
  const [range, setRange] = useState({
    from: '127.0.0.1',
    to: '127.0.0.1',
    fromPort: '15020',
    toPort: '15040',
  })
  const [step, setStep] = useState<ScanStep>()
  const [found, setFound] = useState<DeviceFound[]>([])
  const [refused, setRefused] = useState(false)
  const problems = problemsOf(range)
  const stream = useRef<EventSource>(undefined)
  const stop = () => {
    stream.current?.close()
    stream.current = undefined
    setStep(undefined)
  }
  useEffect(() => () => stream.current?.close(), [])
  const start = () => {
    setFound([])
    setRefused(false)
    const source = new EventSource(`/api/devices/scan?${new URLSearchParams({ ...range, address: '1' })}`)
    stream.current = source
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const next = JSON.parse(data) as ScanStep
      if ('done' in next) return stop()
      setStep(next)
      if (next.found) setFound((before) => [...before, next.found!])
    }
    source.onerror = () => {
      stop()
      setRefused(true)
    }
  }
  const field = (name: keyof typeof range, label: string) => (
    <TextField
      label={label}
      value={range[name]}
      onChange={(text) => setRange({ ...range, [name]: text })}
      problem={problems[name]}
    />
  )
  return (
    <chakra.details mt="10px">
      <Summary fontWeight={600}>Look through a range</Summary>
      <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr) auto' }} gap="10px" alignItems="end">
        {field('from', 'From address')}
        {field('to', 'To address')}
        {field('fromPort', 'From port')}
        {field('toPort', 'To port')}
        {step ? (
          <Button variant="outline" onClick={stop}>
            Stop
          </Button>
        ) : (
          <Button variant="outline" onClick={start} disabled={Object.keys(problems).length > 0}>
            Look
          </Button>
        )}
      </Grid>
      {step && (
        <Text role="status" mt="8px">
          {step.asked} of {step.of} places asked
        </Text>
      )}
      {refused && (
        <Danger role="alert" mt="8px">
          This range cannot be looked through: it must lie in networks that the office has allowed.
        </Danger>
      )}
      {found.map((device) => (
        <Cluster key={`${device.host}:${device.port}`} mt="4px">
          <Button variant="plain" onClick={() => onFound(device)}>
            {device.maker} {device.model} {device.serial}
          </Button>
          <chakra.span fontFamily="mono" fontSize="14px">
            {device.host}:{device.port}
          </chakra.span>
          {device.simulated && <Simulated />}
        </Cluster>
      ))}
    </chakra.details>
  )
}
