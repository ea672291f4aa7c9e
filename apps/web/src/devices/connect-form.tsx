import { Button, Grid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { DeviceFound } from '@plumb-mark/contract'
import { post } from '../data/api.js'
import { useCommit } from '../job/use-commit.js'
import { Danger, SmallPrint } from '../ui/theme/text.js'
import { ChoiceField, named } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { TextField } from '../ui/text-field.js'
import { useInspection } from '../job/inspection.js'
import { ScanRange } from './scan-range.js'
import { Simulated } from './simulated.js'
import { Cluster } from '../ui/cluster.js'

/** Where a device is believed to be: asked first, and connected once it has said who it is. */
export function ConnectForm() {
  const units = useInspection(({ inspection }) => inspection?.state.asBuilt.units) ?? []
  const commit = useCommit()
  const [unitId, setUnitId] = useState('')
  const [host, setHost] = useState('127.0.0.1')
  const [port, setPort] = useState('502')
  const [address, setAddress] = useState('1')
  const [found, setFound] = useState<DeviceFound>()
  const [problem, setProblem] = useState('')
  const [asking, setAsking] = useState(false)
  const at = { host: host.trim(), port: Number(port), address: Number(address) }
  const propose = (device: DeviceFound) => {
    setFound(device)
    setHost(device.host)
    setPort(String(device.port))
    setAddress(String(device.unitId))
    const fitting = units.find(({ serial }) => serial === device.serial)
    if (fitting) setUnitId(fitting.id)
  }
  const ask = async () => {
    setAsking(true)
    setProblem('')
    setFound(undefined)
    try {
      propose(await post<DeviceFound>('/api/devices/ask', at))
    } catch (fault) {
      setProblem((fault as Error).message)
    } finally {
      setAsking(false)
    }
  }
  const connect = () => {
    if (commit({ kind: 'device-connected', body: { id: uuid(), unitId, ...at } })) setFound(undefined)
  }
  const unit = units.find(({ id }) => id === unitId)
  return (
    <form onSubmit={(event) => (event.preventDefault(), void ask())}>
      <Grid
        templateColumns={{ base: '1fr 1fr', md: '2fr 1fr 1fr auto' }}
        gap="10px"
        alignItems="end"
        mt="8px"
      >
        <TextField label="Address" value={host} onChange={setHost} inputMode="decimal" required />
        <TextField label="Port" value={port} onChange={setPort} inputMode="numeric" required />
        <TextField label="Unit id" value={address} onChange={setAddress} inputMode="numeric" required />
        <Button type="submit" variant="outline" loading={asking}>
          Ask who is there
        </Button>
      </Grid>
      <Problem>{problem}</Problem>
      {found && (
        <Cluster alignItems="end" mt="10px" role="status">
          <Text>
            <b>
              {found.maker} {found.model}
            </b>
            , serial {found.serial}, firmware {found.firmware} {found.simulated && <Simulated />}
          </Text>
          <ChoiceField
            label="It is"
            value={unitId}
            options={[['', 'choose the unit'], ...named(units)]}
            onChange={setUnitId}
          />
          <Button disabled={!unitId} onClick={connect}>
            Connect
          </Button>
          {unit?.serial && unit.serial !== found.serial && (
            <Danger>
              By the record {unit.label} has the serial {unit.serial}.
            </Danger>
          )}
        </Cluster>
      )}
      <ScanRange onFound={propose} />
      <SmallPrint>
        Only networks that the office has allowed are asked, and only this server asks them.
      </SmallPrint>
    </form>
  )
}
