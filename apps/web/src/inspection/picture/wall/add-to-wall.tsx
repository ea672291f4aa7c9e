import { Button, Flex, Input, Stack, Text } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { memo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { sheetName, type WallBuilt } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { Field } from '../../../marks/field.js'
import { Select } from '../../../marks/select.js'
import { useInspection } from '../../../store/inspection.js'
import { useFocus } from '../../focus.js'
import { useSteps } from '../../steps.js'

const CLASSES = ['pipe', 'window', 'door', 'duct', 'box', 'shelf', 'gas meter', 'socket'] as const
const NEW_OBSTRUCTION = { w: 200, h: 200 }

/** Adds a unit by its sheet, or an obstruction by its class; its place is then typed. */
export const AddToWall = memo(function AddToWall({ wall }: { wall: WallBuilt }) {
  const [adding, setAdding] = useState<'unit' | 'obstruction'>()
  if (!adding) {
    return (
      <Flex gap="8px" py="6px">
        <Button variant="plain" onClick={() => setAdding('unit')}>
          <Plus size={17} /> Unit
        </Button>
        <Button variant="plain" onClick={() => setAdding('obstruction')}>
          <Plus size={17} /> Obstruction
        </Button>
      </Flex>
    )
  }
  return adding === 'unit' ? <AddUnit wall={wall} onDone={() => setAdding(undefined)} /> : <AddObstruction wall={wall} onDone={() => setAdding(undefined)} />
})

/** To the right of everything that stands there, so that nothing is hidden. */
const freeX = (items: readonly { x: number; w: number }[]) => Math.max(0, ...items.map(({ x, w }) => x + w)) + 300

function useItemsOn(wall: WallBuilt) {
  const units = useInspection(({ inspection }) => inspection?.state.asBuilt.units) ?? []
  return [...wall.obstructions, ...units.flatMap(({ place }) => (place?.wallId === wall.id ? [place] : []))]
}

function AddUnit({ wall, onDone }: { wall: WallBuilt; onDone: () => void }) {
  const sheets = useInspection((state) => state.sheets)
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const chooseItem = useFocus((focus) => focus.chooseItem)
  const items = useItemsOn(wall)
  const loose = (useInspection(({ inspection }) => inspection?.state.asBuilt.units) ?? []).filter(({ place, sheetId: of }) => !place && sheets.get(of)?.size !== undefined && sheets.get(of)?.kind !== 'module')
  const [looseId, setLooseId] = useState(loose[0]?.id ?? '')
  const hung = [...sheets].filter(([, { size, kind }]) => size !== undefined && kind !== 'module')
  const [sheetId, setSheetId] = useState(hung[0]?.[0] ?? '')
  const [label, setLabel] = useState('')
  const [serial, setSerial] = useState('')
  const hang = () => {
    const unit = loose.find(({ id }) => id === looseId)
    const size = unit && sheets.get(unit.sheetId)?.size
    if (!unit || !size) return
    make(person, { kind: 'unit-fitted', body: { ...unit, place: { wallId: wall.id, x: freeX(items), y: 1000, w: size.width, h: size.height } } })
    chooseItem(unit.id)
    onDone()
  }
  const add = () => {
    if (looseId) return hang()
    const sheet = sheets.get(sheetId)
    if (!sheet?.size || label.trim() === '') return
    const id = `unit-${uuid()}`
    make(person, { kind: 'unit-fitted', body: { id, label: label.trim(), sheetId, ...(serial.trim() && { serial: serial.trim() }), place: { wallId: wall.id, x: freeX(items), y: 1000, w: sheet.size.width, h: sheet.size.height } } })
    chooseItem(id)
    onDone()
  }
  return (
    <Stack as="form" bg="panel" p="12px" gap="10px" onSubmit={(event) => (event.preventDefault(), add())} aria-label="Add a unit">
      {loose.length > 0 && (
        <Field label="Unit">
          {(ids) => (
            <Select {...ids} value={looseId} onChange={(event) => setLooseId(event.target.value)}>
              {loose.map(({ id, label: name }) => (
                <option key={id} value={id}>
                  {name}, which hangs nowhere yet
                </option>
              ))}
              <option value="">a unit that is not entered yet</option>
            </Select>
          )}
        </Field>
      )}
      {!looseId && (
        <>
      <Field label="Sheet">
        {(ids) => (
          <Select {...ids} value={sheetId} onChange={(event) => setSheetId(event.target.value)}>
            {hung.map(([id, sheet]) => (
              <option key={id} value={id}>
                {sheetName(sheet)}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Flex gap="10px">
        <Field label="Name on site">{(ids) => <Input {...ids} value={label} onChange={(event) => setLabel(event.target.value)} placeholder="Inverter 3" required autoFocus />}</Field>
        <Field label="Serial">{(ids) => <Input {...ids} value={serial} onChange={(event) => setSerial(event.target.value)} />}</Field>
      </Flex>
        </>
      )}
      <Buttons onCancel={onDone} />
    </Stack>
  )
}

function AddObstruction({ wall, onDone }: { wall: WallBuilt; onDone: () => void }) {
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const chooseItem = useFocus((focus) => focus.chooseItem)
  const items = useItemsOn(wall)
  const [of, setOf] = useState<string>(CLASSES[0])
  const add = () => {
    const id = `obstruction-${uuid()}`
    make(person, { kind: 'obstruction-measured', body: { wallId: wall.id, obstruction: { id, label: of, class: of, x: freeX(items), y: 1000, ...NEW_OBSTRUCTION } } })
    chooseItem(id)
    onDone()
  }
  return (
    <Stack as="form" bg="panel" p="12px" gap="10px" onSubmit={(event) => (event.preventDefault(), add())} aria-label="Add an obstruction">
      <Field label="What is it?">
        {(ids) => (
          <Select {...ids} value={of} onChange={(event) => setOf(event.target.value)}>
            {CLASSES.map((name) => (
              <option key={name}>{name}</option>
            ))}
          </Select>
        )}
      </Field>
      <Buttons onCancel={onDone} />
    </Stack>
  )
}

function Buttons({ onCancel }: { onCancel: () => void }) {
  return (
    <Flex gap="8px" align="center">
      <Button type="submit">Add</Button>
      <Button variant="plain" onClick={onCancel}>
        Cancel
      </Button>
      <Text fontSize="13px" color="faint">
        Type its place next.
      </Text>
    </Flex>
  )
}
