import { Grid, Input } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { BOND_MEANS, BOND_WORDS, type Bond, type BondMeans } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { Field } from '../../../marks/field.js'
import { QuantityInput } from '../../../marks/quantity-input.js'
import { Select } from '../../../marks/select.js'
import { useInspection } from '../../../store/inspection.js'
import { useSteps } from '../../steps.js'
import { KeepRemove } from '../keep-remove.js'
import { Panel } from '../panel.js'

/** One bond: what it ties, by what means, and what its conductor is. */
export function BondPanel({ bond, from, writable, onDone }: { bond: Bond | undefined; from: string | undefined; writable: boolean; onDone: () => void }) {
  const { state } = useInspection((open) => open.inspection)!
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const { parts } = state.asBuilt.earth
  const us = state.header?.units === 'us'
  const foot = parts.find(({ kind }) => kind === 'bar') ?? parts.find(({ kind }) => kind === 'main-terminal')
  const [draft, setDraft] = useState<Omit<Bond, 'id'>>(bond ?? { from: from ?? parts.find(({ id }) => id !== foot?.id)?.id ?? '', to: foot?.id ?? parts[0]?.id ?? '', means: 'lug' })
  const set = (part: Partial<Bond>) => setDraft({ ...draft, ...part })
  const conductor = draft.means !== 'washer' && draft.means !== 'plate'
  const size = us ? 'AWG' : 'mm²'
  const keep = () => {
    const said = Object.fromEntries(Object.entries(draft).filter(([, value]) => value !== undefined)) as Omit<Bond, 'id'>
    make(person, { kind: 'bond-made', body: { ...said, id: bond?.id ?? `bond-${uuid()}` } })
    onDone()
  }
  const options = parts.map(({ id, label }) => (
    <option key={id} value={id}>
      {label}
    </option>
  ))
  return (
    <Panel title={bond ? 'Bond' : 'A new bond'} onClose={onDone}>
      <form onSubmit={(event) => (event.preventDefault(), keep())}>
        <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="10px">
          <Field label="From">{(ids) => <Select {...ids} value={draft.from} disabled={!writable} onChange={(event) => set({ from: event.target.value })}>{options}</Select>}</Field>
          <Field label="To, towards the main terminal">{(ids) => <Select {...ids} value={draft.to} disabled={!writable} onChange={(event) => set({ to: event.target.value })}>{options}</Select>}</Field>
          <Field label="By">
            {(ids) => (
              <Select {...ids} value={draft.means} disabled={!writable} onChange={(event) => set({ means: event.target.value as BondMeans })}>
                {BOND_MEANS.map((means) => (
                  <option key={means} value={means}>
                    {BOND_WORDS[means]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          {conductor ? (
            <>
              <QuantityInput label="Size" dimension="conductor-size" value={draft.size} unit={size} onChange={(value) => set({ size: value })} />
              <QuantityInput label="Length" dimension="cable-length" value={draft.length} unit={us ? 'ft' : 'm'} onChange={(length) => set({ length })} />
              {state.header?.earthMethod === 'adiabatic' ? (
                <>
                  <QuantityInput label="Fault current" dimension="current" value={draft.faultCurrent} onChange={(faultCurrent) => set({ faultCurrent })} />
                  <QuantityInput label="Clearing time" dimension="time" value={draft.clearingTime} onChange={(clearingTime) => set({ clearingTime })} />
                </>
              ) : (
                <QuantityInput label="Line conductor beside it" dimension="conductor-size" value={draft.lineSize} unit={size} onChange={(lineSize) => set({ lineSize })} />
              )}
            </>
          ) : (
            <Field label="How often fitted, this time included">{(ids) => <Input {...ids} type="number" min={1} max={100} value={draft.uses ?? 1} onChange={(event) => set({ uses: Math.max(1, Number.parseInt(event.target.value, 10) || 1) })} />}</Field>
          )}
        </Grid>
        {writable && <KeepRemove what="bond" disabled={draft.from === draft.to || !draft.from || !draft.to} onRemove={bond && (() => (make(person, { kind: 'bond-removed', body: { bondId: bond.id } }), onDone()))} />}
      </form>
    </Panel>
  )
}
