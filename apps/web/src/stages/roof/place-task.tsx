import { Button } from '@chakra-ui/react'
import { useState } from 'react'
import { placeWords } from '@plumb-mark/core'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'
import { ReplaceUnit } from '../identify/replace-unit.js'
import { Small } from '../../ui/theme/text.js'
import { Cluster } from '../../ui/cluster.js'

/** What lies at one place: its module, string, device, and the ports of that device. */
export function PlaceTask({ place, writable }: { place: string; writable: boolean }) {
  const inspection = useInspection((state) => state.inspection)!
  const commit = useCommit()
  const { chooseItem, openCheck } = useFocus()
  const { strings, array } = inspection.state.asBuilt
  const module = inspection.context.array().moduleAt(place)
  const string = strings.find(({ path }) => path?.includes(place))
  const device = array.devices.find(({ at, feeds }) => at === place || feeds.includes(place))
  const branch = array.branches.find(({ devices }) => device && devices.includes(device.id))
  const checks = inspection.checks.filter(({ check }) => device && check.subject.device?.id === device.id)
  const sheet = module?.sheetId ? inspection.sheets.get(module.sheetId) : undefined
  const { idlePorts, cappedPorts } = device ?? {}
  const [replacing, setReplacing] = useState(false)
  const unitOf = inspection.state.asBuilt.units.find(({ id }) => id === device?.unitId)
  if (replacing && device && unitOf)
    return <ReplaceUnit key={device.id} unit={unitOf} device={device} onDone={() => setReplacing(false)} />
  const count = (idle: number, capped: number | undefined) =>
    device &&
    commit({
      kind: 'devices-fitted',
      body: {
        devices: [
          {
            ...device,
            idlePorts: idle,
            cappedPorts: idle === 0 ? 0 : capped === undefined ? undefined : Math.min(idle, capped),
          },
        ],
      },
    })
  return (
    <Panel
      title={`${module?.plane.label ?? 'Array'}, ${placeWords(place)}`}
      onClose={() => chooseItem(undefined)}
    >
      <Small>
        {[
          sheet && `${sheet.maker} ${sheet.model}`,
          string && `${string.label}, module ${string.path!.indexOf(place) + 1} of ${string.path!.length}`,
          branch?.label,
        ]
          .filter(Boolean)
          .join(' · ') || 'Nothing is entered here yet.'}
      </Small>
      {device && (
        <Small mt="4px">
          Device {device.serial ? <b>{device.serial}</b> : 'without a serial'};{' '}
          {portWords(idlePorts, cappedPorts)}
        </Small>
      )}
      <Cluster mt="8px">
        {device && writable && (
          <>
            {idlePorts === undefined ? (
              <Button variant="outline" onClick={() => count(0, 0)}>
                No idle port
              </Button>
            ) : null}
            <Button variant="outline" onClick={() => count((idlePorts ?? 0) + 1, cappedPorts)}>
              {idlePorts === undefined ? 'One idle port' : 'One idle port more'}
            </Button>
            {(idlePorts ?? 0) > 0 && (
              <Button variant="outline" onClick={() => count(idlePorts! - 1, cappedPorts)}>
                One fewer
              </Button>
            )}
            {(idlePorts ?? 0) > 0 && cappedPorts !== idlePorts && (
              <Button variant="outline" onClick={() => count(idlePorts!, idlePorts)}>
                All capped
              </Button>
            )}
            {(idlePorts ?? 0) > 0 && cappedPorts !== 0 && (
              <Button variant="outline" onClick={() => count(idlePorts!, 0)}>
                None capped
              </Button>
            )}
          </>
        )}
        {device && writable && unitOf && (
          <Button variant="outline" onClick={() => setReplacing(true)}>
            Replace this device
          </Button>
        )}
        {checks.map(({ check }) => (
          <Button key={check.id} variant="plain" onClick={() => openCheck(check.id)}>
            {check.requirement.title}
          </Button>
        ))}
      </Cluster>
    </Panel>
  )
}

function portWords(idle: number | undefined, capped: number | undefined): string {
  if (idle === undefined) return 'its idle ports are not counted yet'
  if (idle === 0) return 'no idle port'
  return capped === undefined
    ? `${idle} idle, caps not looked at yet`
    : `${capped} of ${idle} idle ports capped`
}
