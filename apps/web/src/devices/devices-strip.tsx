import { Box, Button, Flex, Stack, chakra } from '@chakra-ui/react'
import { Cable, Unplug } from 'lucide-react'
import { useState } from 'react'
import type { LiveDevice } from '@plumb-mark/contract'
import type { Connection } from '@plumb-mark/core'
import { useCommit } from '../job/use-commit.js'
import { useWritable } from '../job/use-writable.js'
import { Note, SmallDanger, SmallPrint, Strong, Unproven } from '../ui/theme/text.js'
import { useInspection } from '../job/inspection.js'
import { ConnectForm } from './connect-form.js'
import { useListening, useLive } from './live.js'
import { Simulated } from './simulated.js'
import { Cluster } from '../ui/cluster.js'

/** The devices of the job: who answers, who does not and since when; and the way to connect another. */
export function DevicesStrip() {
  useListening()
  const connections = useInspection(({ inspection }) => inspection?.state.asBuilt.connections) ?? []
  const devices = useLive((live) => live.devices)
  const silentSince = useLive((live) => live.silentSince)
  const writable = useWritable()
  const [open, setOpen] = useState(false)
  const answering = devices.filter(({ state }) => state === 'connected').length
  return (
    <Box
      layerStyle="ruleBelow"
      bg="panel"
      px={{ base: '12px', lg: '24px' }}
      py="8px"
      as="section"
      aria-label="Devices"
    >
      <Cluster>
        <Cable size={20} aria-hidden />
        <Strong>
          {connections.length === 0
            ? 'No device connected'
            : `${answering} of ${connections.length} ${connections.length === 1 ? 'device answers' : 'devices answer'}`}
        </Strong>
        {devices.some(({ device }) => device?.simulated) && <Simulated />}
        {silentSince !== undefined && (
          <Unproven>no word from the server since {timeOf(silentSince)}</Unproven>
        )}
        <Button variant="plain" ml="auto" onClick={() => setOpen(!open)} aria-expanded={open}>
          {open ? 'Close' : connections.length === 0 ? 'Connect a device' : 'Show devices'}
        </Button>
      </Cluster>
      {open && (
        <Stack gap="4px" pb="8px">
          {connections.map((connection) => (
            <Device
              key={connection.id}
              connection={connection}
              live={devices.find(({ id }) => id === connection.id)}
              writable={writable}
            />
          ))}
          {writable && <ConnectForm />}
          <SmallPrint>
            Devices are only read, never written to. Switching and changing is done by hand at the device.
          </SmallPrint>
        </Stack>
      )}
    </Box>
  )
}

function Device({
  connection: { id, unitId, host, port, address },
  live,
  writable,
}: {
  connection: Connection
  live: LiveDevice | undefined
  writable: boolean
}) {
  const commit = useCommit()
  const unit = useInspection(({ inspection }) =>
    inspection?.state.asBuilt.units.find((one) => one.id === unitId),
  )
  const named = live?.device
  const other = named && unit?.serial && named.serial !== unit.serial
  return (
    <Flex
      layerStyle="ruleAbove"
      gap="12px"
      align="center"
      py="6px"
      role="group"
      aria-label={unit?.label ?? unitId}
    >
      <Box flex="1" minW={0}>
        <Cluster>
          <Strong>{unit?.label ?? unitId}</Strong>
          {named?.simulated && <Simulated />}
          <Note color={live?.state === 'lost' ? 'danger' : undefined}>{stateWords(live)}</Note>
        </Cluster>
        <SmallPrint>
          <chakra.span fontFamily="mono">
            {host}:{port}/{address}
          </chakra.span>
          {named && ` ${named.maker} ${named.model}, ${named.serial}, firmware ${named.firmware}`}
        </SmallPrint>
        {other && <SmallDanger>by the record {unit.serial} was fitted here</SmallDanger>}
      </Box>
      {writable && (
        <Button
          variant="plain"
          onClick={() => commit({ kind: 'device-disconnected', body: { id } })}
          aria-label={`Disconnect ${unit?.label ?? unitId}`}
        >
          <Unplug size={18} />
        </Button>
      )}
    </Flex>
  )
}

function stateWords(live: LiveDevice | undefined): string {
  if (!live || live.state === 'connecting') return 'calling …'
  if (live.state === 'waiting') return `waits: ${live.problem ?? ''}`
  if (live.state === 'connected') return `answers since ${timeOf(Date.parse(live.since))}`
  return `lost since ${timeOf(Date.parse(live.since))}${live.problem ? `: ${live.problem}` : ''}`
}

const timeOf = (ms: number): string => new Date(ms).toLocaleTimeString([], { hour12: false })
