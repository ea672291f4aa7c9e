import { Grid, Input } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { PART_KINDS, PART_WORDS, RESIDUAL_KINDS, type NetworkPart, type PartKind, type ResidualKind } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { Field } from '../../../marks/field.js'
import { QuantityInput } from '../../../marks/quantity-input.js'
import { Tick } from '../../../marks/tick.js'
import { Select } from '../../../marks/select.js'
import { useInspection } from '../../../store/inspection.js'
import { useSteps, type Change } from '../../steps.js'
import { KeepRemove } from '../keep-remove.js'
import { Panel } from '../panel.js'

const DRIVES: readonly PartKind[] = ['grid', 'inverter', 'battery', 'generation']

/** One part of the installation. A device put into a cable takes its place in it: the cable is cut in two. */
export function NetworkPartPanel({ part, writable, onDone }: { part: NetworkPart | undefined; writable: boolean; onDone: () => void }) {
  const inspection = useInspection((state) => state.inspection)!
  const { units, network } = inspection.state.asBuilt
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const [draft, setDraft] = useState<Omit<NetworkPart, 'id'>>(part ?? { label: 'Isolator', kind: 'isolator' })
  const [into, setInto] = useState('')
  const set = (change: Partial<NetworkPart>) => setDraft({ ...draft, ...change })
  const keep = () => {
    const id = part?.id ?? `net-${uuid()}`
    const said = Object.fromEntries(Object.entries({ ...draft, label: draft.label.trim() }).filter(([, value]) => value !== undefined && value !== '')) as Omit<NetworkPart, 'id'>
    const cable = network.conductors.find((conductor) => conductor.id === into)
    const cut: Change[] = cable ? [{ kind: 'conductor-run', body: { ...cable, to: id } }, { kind: 'conductor-run', body: { ...cable, id: `net-${uuid()}`, from: id, length: 1 } }] : []
    make(person, { kind: 'part-placed', body: { ...said, id } }, ...cut)
    onDone()
  }
  return (
    <Panel title={part?.label ?? 'A new part'} onClose={onDone}>
      <form onSubmit={(event) => (event.preventDefault(), keep())}>
        <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="10px">
          <Field label="Name">{(ids) => <Input {...ids} value={draft.label} readOnly={!writable} required onChange={(event) => set({ label: event.target.value })} />}</Field>
          <Field label="What it is">
            {(ids) => (
              <Select {...ids} value={draft.kind} disabled={!writable} onChange={(event) => set({ kind: event.target.value as PartKind })}>
                {PART_KINDS.map((kind) => (
                  <option key={kind} value={kind}>
                    {PART_WORDS[kind]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Field label="Is the unit">
            {(ids) => (
              <Select {...ids} value={draft.unitId ?? ''} disabled={!writable} onChange={(event) => set({ unitId: event.target.value || undefined })}>
                <option value="">none</option>
                {units.map(({ id, label }) => (
                  <option key={id} value={id}>
                    {label}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          {DRIVES.includes(draft.kind) ? <QuantityInput label="Can drive" dimension="current" value={draft.source} onChange={(source) => set({ source })} /> : <QuantityInput label="Rating" dimension="current" value={draft.rating} onChange={(rating) => set({ rating })} />}
          <Field label="Residual-current kind">
            {(ids) => (
              <Select {...ids} value={draft.residual ?? 'none'} disabled={!writable} onChange={(event) => set({ residual: event.target.value as ResidualKind })}>
                {RESIDUAL_KINDS.map((kind) => (
                  <option key={kind} value={kind}>
                    {kind === 'none' ? 'none' : `type ${kind}`}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Tick label="surge protection here" checked={draft.surge === true} onChange={(surge) => set({ surge })} />
          <Tick label="label of two supplies" checked={draft.labelled === true} onChange={(labelled) => set({ labelled })} />
          {!part && (
            <Field label="Put into the cable">
              {(ids) => (
                <Select {...ids} value={into} onChange={(event) => setInto(event.target.value)}>
                  <option value="">none: it stands alone</option>
                  {network.conductors.map(({ id, from, to }) => (
                    <option key={id} value={id}>
                      {inspection.world.labelOf(from)} – {inspection.world.labelOf(to)}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          )}
        </Grid>
        {writable && <KeepRemove what="part" disabled={draft.label.trim() === ''} removeWords="Remove, with its cables" onRemove={part && (() => (make(person, { kind: 'part-removed', body: { partId: part.id } }), onDone()))} />}
      </form>
    </Panel>
  )
}
