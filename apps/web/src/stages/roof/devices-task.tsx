import { Box, Button, Flex, Grid, Input, Text, Textarea } from '@chakra-ui/react'
import { Camera, Download, ScanLine, Upload } from 'lucide-react'
import { useRef, useState } from 'react'
import { v7 as uuid } from 'uuid'
import {
  devicesFor,
  placeWords,
  placesOf,
  normaliseLabel,
  csvText,
  readSerialTable,
  serialsOut,
  withSerials,
  type DeviceBuilt,
  type LabelsOnMap,
} from '@plumb-mark/core'
import { SmallPrint } from '../../ui/theme/text.js'
import { download } from '../../ui/download.js'
import { ChoiceField, named } from '../../ui/choice-field.js'
import { Field } from '../../ui/field.js'
import { CountField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'
import type { TaskProps } from './task.js'
import { Cluster } from '../../ui/cluster.js'
import { HandButton } from '../../ui/buttons.js'
import { Scanner } from '../../ui/lazy-scanner.js'
import { lazyPart } from '../../ui/lazy-part.js'
import { FileButton } from '../../ui/file-button.js'

const LabelsPhoto = lazyPart(async () => (await import('../../photo-tape/labels-photo.js')).LabelsPhoto)
const CARRIES_BOXES = ['module-electronics', 'small-inverter']

/** The devices under the modules and their serials: typed or scanned in walking order, or from a list. */
export function DevicesTask({ chosen, onDone }: TaskProps) {
  const inspection = useInspection((state) => state.inspection)!
  const { units, array } = inspection.state.asBuilt
  const kindOf = (sheetId: string) => inspection.sheets.get(sheetId)?.kind ?? ''
  const deviceUnits = units.filter(({ sheetId }) => CARRIES_BOXES.includes(kindOf(sheetId)))
  const listeners = units.filter(({ sheetId }) =>
    inspection.sheets.get(sheetId)?.requirements.some(({ kind }) => kind === 'serial-map'),
  )
  const [unitId, setUnitId] = useState(deviceUnits[0]?.id ?? '')
  const own = array.devices.filter((device) => device.unitId === unitId)
  if (deviceUnits.length === 0)
    return (
      <Panel title="Module electronics and serials" onClose={onDone}>
        No module electronics and no small inverters are fitted on this job.
      </Panel>
    )
  return (
    <Panel title="Module electronics and serials" onClose={onDone}>
      <Cluster alignItems="flex-end">
        <Box minW="200px">
          <ChoiceField label="Devices of" value={unitId} options={named(deviceUnits)} onChange={setUnitId} />
        </Box>
        <FitBoxes unitId={unitId} />
        <SerialFiles devices={own} />
        {own.length > 0 && <SerialPhoto />}
      </Cluster>
      {own.length > 0 && <WalkSerials key={unitId} devices={own} chosen={chosen} />}
      {listeners.map(({ id, label }) => (
        <Reported key={id} unitId={id} label={label} />
      ))}
    </Panel>
  )
}

/** Devices for every module that has none yet. */
function FitBoxes({ unitId }: { unitId: string }) {
  const array = useInspection(({ inspection }) => inspection!.state.asBuilt.array)
  const commit = useCommit()
  const taken = new Set(array.devices.flatMap(({ at, feeds }) => [at, ...feeds]))
  const free = array.planes.flatMap(placesOf).filter(({ id }) => !taken.has(id))
  const [each, setEach] = useState(1)
  if (free.length === 0) return null
  const devices = () => devicesFor(free, { unitId, each, newId: () => `device-${uuid()}` })
  return (
    <>
      <Box w="130px">
        <CountField label="Modules to a device" most={8} value={each} onChange={setEach} />
      </Box>
      <Button
        variant="outline"
        onClick={() => commit({ kind: 'devices-fitted', body: { devices: devices() } })}
      >
        {each === 1
          ? `A device on each of the ${free.length} free modules`
          : `${devices().length} devices for the ${free.length} free modules`}
      </Button>
    </>
  )
}

/** Serials place after place, in the order in which one walks: left to right, and back in the next row. */
function WalkSerials({ devices, chosen }: { devices: readonly DeviceBuilt[]; chosen: string | undefined }) {
  const commit = useCommit()
  const chooseItem = useFocus((focus) => focus.chooseItem)
  const [typed, setTyped] = useState('')
  const [scanning, setScanning] = useState(false)
  const field = useRef<HTMLInputElement>(null)
  const order = inWalkingOrder(devices)
  const at = order.find((device) => device.at === chosen) ?? order.find(({ serial }) => !serial) ?? order[0]!
  const twin = devices.find(
    (device) =>
      device.id !== at.id && device.serial && normaliseLabel(device.serial) === normaliseLabel(typed),
  )
  const keep = (serial: string) => {
    if (serial.trim() === '') return
    commit({ kind: 'devices-fitted', body: { devices: [{ ...at, serial: serial.trim() }] } })
    setTyped('')
    setScanning(false)
    chooseItem(order[(order.indexOf(at) + 1) % order.length]!.at)
    field.current?.focus()
  }
  const named = devices.filter(({ serial }) => serial).length
  return (
    <Box mt="12px">
      <Flex
        gap="8px"
        align="flex-end"
        as="form"
        onSubmit={(event: React.FormEvent) => (event.preventDefault(), keep(typed))}
      >
        <Box flex="1">
          <Field
            label={`Serial at ${placeWords(at.at)}${at.serial ? ` (now ${at.serial})` : ''}`}
            problem={twin && `the same serial stands at ${placeWords(twin.at)}`}
          >
            {(ids) => (
              <Input
                {...ids}
                ref={field}
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
                autoFocus
                autoComplete="off"
                autoCapitalize="characters"
                h="56px"
                fontSize="22px"
                fontFamily="mono"
              />
            )}
          </Field>
        </Box>
        <HandButton type="submit" disabled={typed.trim() === ''}>
          Next
        </HandButton>
        <HandButton
          variant="outline"
          px="14px"
          onClick={() => setScanning(true)}
          aria-label="Scan this serial"
        >
          <ScanLine size={20} />
        </HandButton>
      </Flex>
      <SmallPrint mt="4px">
        {named} of {devices.length} devices carry a serial. Touch a module to go there.
      </SmallPrint>
      {scanning && <Scanner title={placeWords(at.at)} onCode={keep} onClose={() => setScanning(false)} />}
    </Box>
  )
}

function inWalkingOrder(devices: readonly DeviceBuilt[]): DeviceBuilt[] {
  const key = ({ at }: DeviceBuilt) => {
    const [, plane, row, column] = /^(.+)\.r(\d+)c(\d+)$/.exec(at) ?? ['', '', '0', '0']
    return {
      plane: plane!,
      row: Number(row),
      column: Number(row) % 2 === 1 ? Number(column) : -Number(column),
    }
  }
  return [...devices].sort((a, b) => {
    const [x, y] = [key(a), key(b)]
    return x.plane.localeCompare(y.plane) || x.row - y.row || x.column - y.column
  })
}

/** All serials of a paper map off one photo. */
function SerialPhoto() {
  const array = useInspection(({ inspection }) => inspection!.state.asBuilt.array)
  const commit = useCommit()
  const [open, setOpen] = useState(false)
  const take = (rows: LabelsOnMap['placed']) => {
    const changed = withSerials(array, rows)
    if (changed.length > 0) commit({ kind: 'devices-fitted', body: { devices: changed } })
    setOpen(false)
  }
  return (
    <>
      <Button variant="outline" onClick={() => setOpen(true)}>
        <Camera size={17} /> Labels off a photo
      </Button>
      {open && <LabelsPhoto array={array} onTake={take} onClose={() => setOpen(false)} />}
    </>
  )
}

/** Serial lists in and out, RFC 4180 with a header row. A list with one bad row is not taken at all. */
function SerialFiles({ devices }: { devices: readonly DeviceBuilt[] }) {
  const array = useInspection(({ inspection }) => inspection!.state.asBuilt.array)
  const commit = useCommit()
  const [said, setSaid] = useState<string[]>([])
  const save = () =>
    download('serials.csv', csvText(serialsOut({ devices: inWalkingOrder(devices) })), 'text/csv')
  const read = async (chosen: File) => {
    const { default: Papa } = await import('papaparse')
    const { data, errors } = Papa.parse<Record<string, string>>(
      (await chosen.text()).replace(/^\uFEFF/, ''),
      { header: true, skipEmptyLines: 'greedy', transformHeader: (name) => name.trim().toLowerCase() },
    )
    const table =
      errors.length > 0
        ? {
            ok: false as const,
            faults: errors.map(({ row, message }) => ({ row: (row ?? 0) + 2, reason: message })),
          }
        : readSerialTable(data, array)
    if (!table.ok)
      return setSaid(
        table.faults.slice(0, 6).map(({ row, reason }) => `${chosen.name}, row ${row}: ${reason}`),
      )
    const changed = withSerials(array, table.rows)
    if (changed.length > 0) commit({ kind: 'devices-fitted', body: { devices: changed } })
    setSaid([`${table.rows.length} rows read, ${changed.length} serials changed`])
  }
  return (
    <Box>
      <Flex gap="8px">
        <FileButton label="Serial list" accept=".csv,text/csv" onFiles={([file]) => file && read(file)}>
          <Upload size={17} /> CSV in
        </FileButton>
        <Button variant="outline" onClick={save} disabled={devices.length === 0}>
          <Download size={17} /> CSV out
        </Button>
      </Flex>
      <Box role="status" fontSize="13px">
        {said.map((line) => (
          <Text key={line}>{line}</Text>
        ))}
      </Box>
    </Box>
  )
}

/** What a listening unit reports: pasted or typed, one serial a line. */
function Reported({ unitId, label }: { unitId: string; label: string }) {
  const reported = useInspection(({ inspection }) => inspection!.state.asBuilt.array.reported[unitId])
  const commit = useCommit()
  const [typed, setTyped] = useState((reported ?? []).join('\n'))
  const serials = typed.split(/[\s,;]+/).filter(Boolean)
  return (
    <Grid gap="6px" mt="14px">
      <Field label={`Serials that ${label} has heard, one a line`} hint={`${serials.length} serials`}>
        {(ids) => (
          <Textarea
            {...ids}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            fontFamily="mono"
            fontSize="13px"
            rows={4}
          />
        )}
      </Field>
      <Box>
        <Button
          variant="outline"
          onClick={() => commit({ kind: 'serials-reported', body: { unitId, serials } })}
        >
          Compare with the map
        </Button>
      </Box>
    </Grid>
  )
}
