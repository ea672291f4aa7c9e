import { Button, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { placesOf, type PlaneBuilt } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { Field } from '../../../marks/field.js'
import { QuantityInput } from '../../../marks/quantity-input.js'
import { Select } from '../../../marks/select.js'
import { useInspection } from '../../../store/inspection.js'
import { useSteps } from '../../steps.js'
import { Panel } from '../panel.js'
import type { TaskProps } from './task.js'

/** The planes: rows and columns of one kind of module, lying one way. */
export function PlaneTask({ chosen, onDone }: TaskProps) {
  const inspection = useInspection((state) => state.inspection)!
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const { units, array } = inspection.state.asBuilt
  const modules = units.filter(({ sheetId }) => inspection.sheets.get(sheetId)?.kind === 'module')
  const [id, setId] = useState(array.planes[0]?.id ?? 'new')
  const kept = array.planes.find((plane) => plane.id === id)
  const [draft, setDraft] = useState<Omit<PlaneBuilt, 'id'>>(kept ?? fresh(modules[0]?.id ?? '', array.planes.length))
  const choose = (next: string) => {
    setId(next)
    setDraft(array.planes.find((plane) => plane.id === next) ?? fresh(modules[0]?.id ?? '', array.planes.length))
  }
  if (modules.length === 0) return <Panel title="Planes">Fit the modules first: add a unit with a module’s sheet in the preparation of this job.</Panel>
  const set = (part: Partial<PlaneBuilt>) => setDraft({ ...draft, ...part })
  const whole = (text: string, most: number) => Math.min(most, Math.max(1, Number.parseInt(text, 10) || 1))
  const keep = () => {
    const planeId = kept?.id ?? `plane-${uuid()}`
    make(person, { kind: 'plane-built', body: { ...draft, id: planeId, label: draft.label.trim() || 'Plane' } })
    setId(planeId)
  }
  const turn = () => {
    if (!kept || !chosen?.startsWith(`${kept.id}.`)) return
    const next = draft.empty.includes(chosen) ? draft.empty.filter((one) => one !== chosen) : [...draft.empty, chosen]
    set({ empty: next })
    make(person, { kind: 'plane-built', body: { ...kept, empty: next } })
  }
  const remove = () => {
    make(person, { kind: 'plane-removed', body: { planeId: kept!.id } })
    choose('new')
  }
  return (
    <Panel title="Planes" {...(array.planes.length > 0 && { onClose: onDone })}>
      <form onSubmit={(event) => (event.preventDefault(), keep())}>
        <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="10px">
          <Field label="Plane">
            {(ids) => (
              <Select {...ids} value={id} onChange={(event) => choose(event.target.value)}>
                {array.planes.map((plane) => (
                  <option key={plane.id} value={plane.id}>
                    {plane.label}
                  </option>
                ))}
                <option value="new">a new plane</option>
              </Select>
            )}
          </Field>
          <Field label="Name">{(ids) => <Input {...ids} value={draft.label} onChange={(event) => set({ label: event.target.value })} required />}</Field>
          <Field label="Modules">
            {(ids) => (
              <Select {...ids} value={draft.unitId} onChange={(event) => set({ unitId: event.target.value })}>
                {modules.map((unit) => (
                  <option key={unit.id} value={unit.id}>
                    {unit.label}, {inspection.sheets.get(unit.sheetId)?.model}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Field label="Lying">
            {(ids) => (
              <Select {...ids} value={draft.orientation} onChange={(event) => set({ orientation: event.target.value as PlaneBuilt['orientation'] })}>
                <option value="portrait">portrait</option>
                <option value="landscape">landscape</option>
              </Select>
            )}
          </Field>
          <Field label="Rows">{(ids) => <Input {...ids} type="number" min={1} max={100} value={draft.rows} onChange={(event) => set({ rows: whole(event.target.value, 100) })} />}</Field>
          <Field label="Modules in a row">{(ids) => <Input {...ids} type="number" min={1} max={200} value={draft.columns} onChange={(event) => set({ columns: whole(event.target.value, 200) })} />}</Field>
          <QuantityInput label="Gap between modules" dimension="length" value={draft.gap} onChange={(gap) => gap !== undefined && set({ gap })} />
          <QuantityInput label="Tilt" dimension="angle" value={draft.tilt} onChange={(tilt) => set({ tilt })} />
        </Grid>
        <Flex gap="8px" mt="12px" wrap="wrap" align="center">
          <Button type="submit">{kept ? 'Keep the plane' : 'Add the plane'}</Button>
          {kept && chosen?.startsWith(`${kept.id}.`) && (
            <Button variant="outline" onClick={turn}>
              No module at the chosen place
            </Button>
          )}
          {kept && draft.empty.length > 0 && (
            <Button variant="outline" onClick={() => (set({ empty: [] }), make(person, { kind: 'plane-built', body: { ...kept, empty: [] } }))}>
              Fill the {draft.empty.length} empty places
            </Button>
          )}
          {kept && (
            <Button variant="plain" onClick={remove}>
              Remove
            </Button>
          )}
          <Text color="faint" fontSize="14px">
            {placesOf({ ...draft, id: 'x', empty: [] }).length - draft.empty.length} modules
          </Text>
        </Flex>
      </form>
    </Panel>
  )
}

const fresh = (unitId: string, before: number): Omit<PlaneBuilt, 'id'> => ({ label: `Plane ${before + 1}`, unitId, rows: 2, columns: 6, orientation: 'portrait', gap: 20, empty: [] })
