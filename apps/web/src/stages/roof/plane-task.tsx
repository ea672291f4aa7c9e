import { Button, Grid } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { placesOf, type PlaneBuilt } from '@plumb-mark/core'
import { Note } from '../../ui/theme/text.js'
import { ChoiceField, named, type Option } from '../../ui/choice-field.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { CountField, TextField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { Panel } from '../panel.js'
import type { TaskProps } from './task.js'
import { Cluster } from '../../ui/cluster.js'

/** The planes: rows and columns of one kind of module, lying one way. */
export function PlaneTask({ chosen, onDone }: TaskProps) {
  const inspection = useInspection((state) => state.inspection)!
  const commit = useCommit()
  const { units, array } = inspection.state.asBuilt
  const modules = units.filter(({ sheetId }) => inspection.sheets.get(sheetId)?.kind === 'module')
  const [id, setId] = useState(array.planes[0]?.id ?? 'new')
  const kept = array.planes.find((plane) => plane.id === id)
  const [draft, setDraft] = useState<Omit<PlaneBuilt, 'id'>>(
    kept ?? fresh(modules[0]?.id ?? '', array.planes.length),
  )
  const choose = (next: string) => {
    setId(next)
    setDraft(
      array.planes.find((plane) => plane.id === next) ?? fresh(modules[0]?.id ?? '', array.planes.length),
    )
  }
  if (modules.length === 0)
    return (
      <Panel title="Planes">
        Fit the modules first: add a unit with a module’s sheet in the preparation of this job.
      </Panel>
    )
  const set = (part: Partial<PlaneBuilt>) => setDraft({ ...draft, ...part })
  const keep = () => {
    const planeId = kept?.id ?? `plane-${uuid()}`
    commit({
      kind: 'plane-built',
      body: { ...draft, id: planeId, label: draft.label.trim() || 'Plane', proposed: undefined },
    })
    setId(planeId)
  }
  const turn = () => {
    if (!kept || !chosen?.startsWith(`${kept.id}.`)) return
    const next = draft.empty.includes(chosen)
      ? draft.empty.filter((one) => one !== chosen)
      : [...draft.empty, chosen]
    set({ empty: next })
    commit({ kind: 'plane-built', body: { ...kept, empty: next } })
  }
  const remove = () => {
    commit({ kind: 'plane-removed', body: { planeId: kept!.id } })
    choose('new')
  }
  return (
    <Panel title="Planes" {...(array.planes.length > 0 && { onClose: onDone })}>
      <form onSubmit={(event) => (event.preventDefault(), keep())}>
        <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="10px">
          <ChoiceField
            label="Plane"
            value={id}
            options={[...named(array.planes), ['new', 'a new plane'] as Option]}
            onChange={choose}
          />
          <TextField label="Name" value={draft.label} onChange={(label) => set({ label })} required />
          <ChoiceField
            label="Modules"
            value={draft.unitId}
            options={modules.map((unit): Option => [
              unit.id,
              `${unit.label}, ${inspection.sheets.get(unit.sheetId)?.model}`,
            ])}
            onChange={(unitId) => set({ unitId })}
          />
          <ChoiceField
            label="Lying"
            value={draft.orientation}
            options={[
              ['portrait', 'portrait'],
              ['landscape', 'landscape'],
            ]}
            onChange={(orientation) => set({ orientation })}
          />
          <CountField label="Rows" most={100} value={draft.rows} onChange={(rows) => set({ rows })} />
          <CountField
            label="Modules in a row"
            most={200}
            value={draft.columns}
            onChange={(columns) => set({ columns })}
          />
          <QuantityInput
            label="Gap between modules"
            dimension="length"
            value={draft.gap}
            onChange={(gap) => gap !== undefined && set({ gap })}
          />
          <QuantityInput
            label="Tilt"
            dimension="angle"
            value={draft.tilt}
            onChange={(tilt) => set({ tilt })}
          />
        </Grid>
        <Cluster mt="12px">
          <Button type="submit">{kept ? 'Save the plane' : 'Add the plane'}</Button>
          {kept && chosen?.startsWith(`${kept.id}.`) && (
            <Button variant="outline" onClick={turn}>
              No module at the chosen place
            </Button>
          )}
          {kept && draft.empty.length > 0 && (
            <Button
              variant="outline"
              onClick={() => (
                set({ empty: [] }),
                commit({ kind: 'plane-built', body: { ...kept, empty: [] } })
              )}
            >
              Fill the {draft.empty.length} empty places
            </Button>
          )}
          {kept && (
            <Button variant="plain" onClick={remove}>
              Remove
            </Button>
          )}
          <Note>{placesOf({ ...draft, id: 'x', empty: [] }).length - draft.empty.length} modules</Note>
        </Cluster>
      </form>
    </Panel>
  )
}

const fresh = (unitId: string, before: number): Omit<PlaneBuilt, 'id'> => ({
  label: `Plane ${before + 1}`,
  unitId,
  rows: 2,
  columns: 6,
  orientation: 'portrait',
  gap: 20,
  empty: [],
})
