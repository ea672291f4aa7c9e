import { Button, Flex, Stack } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import { v7 as uuid } from 'uuid'
import {
  DRAWN_FIGURES,
  OBSTRUCTION_CLASSES,
  sheetName,
  type WallPlace,
  type WallBuilt,
} from '@plumb-mark/core'
import { SmallPrint } from '../../ui/theme/text.js'
import { ChoiceField, optionsOf, type Option } from '../../ui/choice-field.js'
import { TextField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'
import { useFocus } from '../../job/focus.js'
import { useCommit } from '../../job/use-commit.js'

const NEW_OBSTRUCTION = { w: 200, h: 200 }

/** To the right of everything that stands there, so that nothing is hidden. */
const freeX = (items: readonly { x: number; w: number }[]) =>
  Math.max(0, ...items.map(({ x, w }) => x + w)) + 300

function useItemsOn(wall: WallBuilt) {
  const units = useInspection(({ inspection }) => inspection?.state.asBuilt.units) ?? []
  return [...wall.obstructions, ...units.flatMap(({ place }) => (place?.wallId === wall.id ? [place] : []))]
}

/** A unit of this size as it is drawn until its place is typed. */
const hungOn = (
  { id: wallId }: WallBuilt,
  items: readonly { x: number; w: number }[],
  { width, height }: { width: number; height: number },
): WallPlace => ({
  wallId,
  x: freeX(items),
  y: 1000,
  w: width,
  h: height,
  drawn: ['x', 'y'],
})

/** A unit by its sheet, or one that hangs nowhere yet. */
export function AddUnit({ wall, onDone }: { wall: WallBuilt; onDone: () => void }) {
  const sheets = useInspection((state) => state.sheets)
  const commit = useCommit()
  const chooseItem = useFocus((focus) => focus.chooseItem)
  const items = useItemsOn(wall)
  const loose = (useInspection(({ inspection }) => inspection?.state.asBuilt.units) ?? []).filter(
    ({ place, sheetId: of }) =>
      !place && sheets.get(of)?.size !== undefined && sheets.get(of)?.kind !== 'module',
  )
  const [looseId, setLooseId] = useState(loose[0]?.id ?? '')
  const pinned = useInspection(({ inspection }) => inspection?.state.header?.sheets) ?? []
  const hung = [...sheets].filter(
    ([id, { size, kind }]) => size !== undefined && kind !== 'module' && pinned.some((one) => one.id === id),
  )
  const [sheetId, setSheetId] = useState(hung[0]?.[0] ?? '')
  const [label, setLabel] = useState('')
  const [serial, setSerial] = useState('')
  const hang = () => {
    const unit = loose.find(({ id }) => id === looseId)
    const size = unit && sheets.get(unit.sheetId)?.size
    if (!unit || !size) return
    commit({
      kind: 'unit-fitted',
      body: {
        ...unit,
        place: hungOn(wall, items, size),
      },
    })
    chooseItem(unit.id)
    onDone()
  }
  const add = () => {
    if (looseId) return hang()
    const sheet = sheets.get(sheetId)
    if (!sheet?.size || label.trim() === '') return
    const id = `unit-${uuid()}`
    commit({
      kind: 'unit-fitted',
      body: {
        id,
        label: label.trim(),
        sheetId,
        ...(serial.trim() && { serial: serial.trim() }),
        place: hungOn(wall, items, sheet.size),
      },
    })
    chooseItem(id)
    onDone()
  }
  return (
    <AddForm name="Add a unit" onAdd={add} onCancel={onDone}>
      {loose.length > 0 && (
        <ChoiceField
          label="Unit"
          value={looseId}
          options={[
            ...loose.map(({ id, label: name }): Option => [id, `${name}, which hangs nowhere yet`]),
            ['', 'a unit that is not entered yet'],
          ]}
          onChange={setLooseId}
        />
      )}
      {!looseId && (
        <>
          <ChoiceField
            label="Sheet"
            value={sheetId}
            options={hung.map(([id, sheet]): Option => [id, sheetName(sheet)])}
            onChange={setSheetId}
          />
          <Flex gap="10px">
            <TextField
              label="Name on site"
              value={label}
              onChange={setLabel}
              placeholder="Inverter 3"
              required
              autoFocus
            />
            <TextField label="Serial" value={serial} onChange={setSerial} />
          </Flex>
        </>
      )}
    </AddForm>
  )
}

/** An obstruction by its class. */
export function AddObstruction({ wall, onDone }: { wall: WallBuilt; onDone: () => void }) {
  const commit = useCommit()
  const chooseItem = useFocus((focus) => focus.chooseItem)
  const items = useItemsOn(wall)
  const [of, setOf] = useState<(typeof OBSTRUCTION_CLASSES)[number]>('pipe')
  const add = () => {
    const id = `obstruction-${uuid()}`
    commit({
      kind: 'obstruction-measured',
      body: {
        wallId: wall.id,
        obstruction: {
          id,
          label: of,
          class: of,
          x: freeX(items),
          y: 1000,
          ...NEW_OBSTRUCTION,
          drawn: [...DRAWN_FIGURES],
        },
      },
    })
    chooseItem(id)
    onDone()
  }
  return (
    <AddForm name="Add an obstruction" onAdd={add} onCancel={onDone}>
      <ChoiceField
        label="What is it?"
        value={of}
        options={optionsOf(OBSTRUCTION_CLASSES, (name) => name)}
        onChange={setOf}
      />
    </AddForm>
  )
}

/** What is added in a moment; where it stands is typed next. */
function AddForm({
  name,
  onAdd,
  onCancel,
  children,
}: {
  name: string
  onAdd: () => void
  onCancel: () => void
  children: ReactNode
}) {
  return (
    <Stack
      as="form"
      bg="panel"
      p="12px"
      gap="10px"
      onSubmit={(event) => (event.preventDefault(), onAdd())}
      aria-label={name}
    >
      {children}
      <Flex gap="8px" align="center">
        <Button type="submit">Add</Button>
        <Button variant="plain" onClick={onCancel}>
          Cancel
        </Button>
        <SmallPrint>Type its place next.</SmallPrint>
      </Flex>
    </Stack>
  )
}
