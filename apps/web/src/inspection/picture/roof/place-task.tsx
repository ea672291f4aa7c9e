import { Button, Flex, Text } from '@chakra-ui/react'
import { placeWords } from '@plumb-mark/core'
import { useInspection } from '../../../store/inspection.js'
import { useFocus } from '../../focus.js'
import { useMake } from '../../use-make.js'
import { Panel } from '../panel.js'

/** What lies at one place: its module, string, device, and the ports of that device. */
export function PlaceTask({ place, writable }: { place: string; writable: boolean }) {
  const inspection = useInspection((state) => state.inspection)!
  const make = useMake()
  const { chooseItem, openCheck } = useFocus()
  const { strings, array } = inspection.state.asBuilt
  const module = inspection.around.array().moduleAt(place)
  const string = strings.find(({ path }) => path?.includes(place))
  const device = array.devices.find(({ at, feeds }) => at === place || feeds.includes(place))
  const branch = array.branches.find(({ devices }) => device && devices.includes(device.id))
  const checks = inspection.checks.filter(({ check }) => device && check.subject.device?.id === device.id)
  const sheet = module?.sheetId ? inspection.sheets.get(module.sheetId) : undefined
  const ports = (idlePorts: number, cappedPorts: number) =>
    device &&
    make({
      kind: 'devices-fitted',
      body: { devices: [{ ...device, idlePorts, cappedPorts: Math.min(idlePorts, cappedPorts) }] },
    })
  return (
    <Panel
      title={`${module?.plane.label ?? 'Array'}, ${placeWords(place)}`}
      onClose={() => chooseItem(undefined)}
    >
      <Text fontSize="15px">
        {[
          sheet && `${sheet.maker} ${sheet.model}`,
          string && `${string.label}, module ${string.path!.indexOf(place) + 1} of ${string.path!.length}`,
          branch?.label,
        ]
          .filter(Boolean)
          .join(' · ') || 'Nothing is entered here yet.'}
      </Text>
      {device && (
        <Text fontSize="15px" mt="4px">
          Device {device.serial ? <b>{device.serial}</b> : 'without a serial'}; {device.cappedPorts} of{' '}
          {device.idlePorts} idle ports capped
        </Text>
      )}
      <Flex gap="8px" mt="8px" wrap="wrap">
        {device && writable && (
          <>
            <Button variant="outline" onClick={() => ports(device.idlePorts + 1, device.cappedPorts)}>
              One idle port more
            </Button>
            {device.idlePorts > 0 && (
              <Button variant="outline" onClick={() => ports(device.idlePorts - 1, device.cappedPorts)}>
                One fewer
              </Button>
            )}
            {device.cappedPorts < device.idlePorts && (
              <Button variant="outline" onClick={() => ports(device.idlePorts, device.idlePorts)}>
                All capped
              </Button>
            )}
          </>
        )}
        {checks.map(({ check }) => (
          <Button key={check.id} variant="plain" onClick={() => openCheck(check.id)}>
            {check.requirement.title}
          </Button>
        ))}
      </Flex>
    </Panel>
  )
}
