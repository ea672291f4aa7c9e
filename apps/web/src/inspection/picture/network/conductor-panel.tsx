import { Grid, Input, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { amps, listed, type ConductorLoad, type NetworkConductor } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { Field } from '../../../marks/field.js'
import { QuantityInput } from '../../../marks/quantity-input.js'
import { Select } from '../../../marks/select.js'
import { useInspection } from '../../../store/inspection.js'
import { useSteps } from '../../steps.js'
import { KeepRemove } from '../keep-remove.js'
import { Panel } from '../panel.js'

/** One cable: what it ties, what it is, and everything that can feed it. */
export function ConductorPanel({ conductor, load, writable, onDone }: { conductor: NetworkConductor | undefined; load: ConductorLoad | undefined; writable: boolean; onDone: () => void }) {
  const { state } = useInspection((open) => open.inspection)!
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const { parts } = state.asBuilt.network
  const us = state.header?.units === 'us'
  const [draft, setDraft] = useState<Omit<NetworkConductor, 'id'>>(conductor ?? { from: parts.find(({ kind }) => kind === 'board')?.id ?? parts[0]?.id ?? '', to: parts.at(-1)?.id ?? '', phases: us ? 1 : 3, voltage: us ? 240 : 400, size: us ? 8.37 : 6, length: 10, insulation: 'pvc', method: 'B2', ambient: 30, grouped: 1 })
  const set = (part: Partial<NetworkConductor>) => setDraft({ ...draft, ...part })
  const keep = () => {
    make(person, { kind: 'conductor-run', body: { ...draft, id: conductor?.id ?? `net-${uuid()}` } })
    onDone()
  }
  const options = parts.map(({ id, label }) => (
    <option key={id} value={id}>
      {label}
    </option>
  ))
  return (
    <Panel title={conductor ? 'Cable' : 'A new cable'} onClose={onDone}>
      {load && (
        <Text mb="8px">
          {load.sources.length === 0 ? 'Nothing that is entered feeds it.' : `Fed by ${listed(load.sources.map(({ name, amps: each }) => `${name} ${amps(each)}`))}; carries ${amps(load.carries)}${load.limit === undefined ? '' : `, limited to ${amps(load.limit)}`}${load.protectiveDevice === undefined ? '; no device is on it' : `; protected by ${amps(load.protectiveDevice)}`}.`}
        </Text>
      )}
      <form onSubmit={(event) => (event.preventDefault(), keep())}>
        <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="10px">
          <Field label="From">{(ids) => <Select {...ids} value={draft.from} disabled={!writable} onChange={(event) => set({ from: event.target.value })}>{options}</Select>}</Field>
          <Field label="To">{(ids) => <Select {...ids} value={draft.to} disabled={!writable} onChange={(event) => set({ to: event.target.value })}>{options}</Select>}</Field>
          <QuantityInput label="Size" dimension="conductor-size" value={draft.size} unit={us ? 'AWG' : 'mm²'} onChange={(size) => size !== undefined && set({ size })} />
          <QuantityInput label="Length" dimension="cable-length" value={draft.length} unit={us ? 'ft' : 'm'} onChange={(length) => length !== undefined && set({ length })} />
          <Field label="Phases">
            {(ids) => (
              <Select {...ids} value={String(draft.phases)} disabled={!writable} onChange={(event) => set({ phases: event.target.value === 'dc' ? 'dc' : (Number(event.target.value) as 1 | 3) })}>
                <option value="1">one, or split phase</option>
                <option value="3">three</option>
                <option value="dc">DC</option>
              </Select>
            )}
          </Field>
          <QuantityInput label="Voltage" dimension="voltage" value={draft.voltage} onChange={(voltage) => voltage !== undefined && set({ voltage })} />
          <Field label="Insulation">
            {(ids) => (
              <Select {...ids} value={draft.insulation} disabled={!writable} onChange={(event) => set({ insulation: event.target.value as 'pvc' | 'xlpe' })}>
                <option value="pvc">pvc (75 °C)</option>
                <option value="xlpe">xlpe (90 °C)</option>
              </Select>
            )}
          </Field>
          <Field label="Laid">
            {(ids) => (
              <Select {...ids} value={draft.method} disabled={!writable} onChange={(event) => set({ method: event.target.value as NetworkConductor['method'] })}>
                <option value="A1">A1, in an insulated wall</option>
                <option value="B1">B1, wires in conduit</option>
                <option value="B2">B2, cable in conduit</option>
                <option value="C">C, on the wall</option>
              </Select>
            )}
          </Field>
          <QuantityInput label="Warmest place" dimension="temperature" value={draft.ambient} onChange={(ambient) => ambient !== undefined && set({ ambient })} />
          <Field label="Circuits together">{(ids) => <Input {...ids} type="number" min={1} max={20} value={draft.grouped} onChange={(event) => set({ grouped: Math.min(20, Math.max(1, Number.parseInt(event.target.value, 10) || 1)) })} />}</Field>
        </Grid>
        {writable && <KeepRemove what="cable" disabled={draft.from === draft.to} onRemove={conductor && (() => (make(person, { kind: 'conductor-removed', body: { conductorId: conductor.id } }), onDone()))} />}
      </form>
    </Panel>
  )
}
