import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { BOND_MEANS, BOND_WORDS, unitsOf, type Bond, type BondMeans } from '@plumb-mark/core'
import { ChoiceField, named, optionsOf } from '../../ui/choice-field.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { CountField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { PanelForm } from '../panel-form.js'
import { useProposal } from '../proposed.js'

/** One bond: what it ties, by what means, and what its conductor is. */
export function BondPanel({
  bond,
  from,
  writable,
  onDone,
}: {
  bond: Bond | undefined
  from: string | undefined
  writable: boolean
  onDone: () => void
}) {
  const { state } = useInspection((open) => open.inspection)!
  const commit = useCommit()
  const proposed = useProposal('bond', bond?.id)
  const { parts } = state.asBuilt.earth
  const units = unitsOf(state.header)
  const foot = parts.find(({ kind }) => kind === 'bar') ?? parts.find(({ kind }) => kind === 'main-terminal')
  const [draft, setDraft] = useState<Omit<Bond, 'id' | 'means'> & { means: BondMeans | '' }>(
    bond ?? {
      from: from ?? parts.find(({ id }) => id !== foot?.id)?.id ?? '',
      to: foot?.id ?? parts[0]?.id ?? '',
      means: '',
    },
  )
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const conductor = draft.means !== 'washer' && draft.means !== 'plate'
  const { size } = units
  const keep = () => {
    const said = Object.fromEntries(
      Object.entries({ ...draft, proposed: undefined }).filter(([, value]) => value !== undefined),
    ) as Omit<Bond, 'id'>
    commit({ kind: 'bond-made', body: { ...said, id: bond?.id ?? `bond-${uuid()}` } })
  }
  return (
    <PanelForm
      title={bond ? 'Bond' : 'A new bond'}
      what="bond"
      writable={writable}
      lacking={draft.from === draft.to || !draft.from || !draft.to || draft.means === ''}
      onKeep={keep}
      onRemove={bond && (() => commit({ kind: 'bond-removed', body: { bondId: bond.id } }))}
      onClose={onDone}
      proposed={proposed}
    >
      <ChoiceField
        label="From"
        value={draft.from}
        options={named(parts)}
        onChange={(from) => set({ from })}
      />
      <ChoiceField
        label="To, towards the main terminal"
        value={draft.to}
        options={named(parts)}
        onChange={(to) => set({ to })}
      />
      <ChoiceField
        label="By"
        value={draft.means}
        options={[
          ...(bond ? [] : [['', 'not looked at yet'] as const]),
          ...optionsOf(BOND_MEANS, BOND_WORDS),
        ]}
        onChange={(means) => set({ means })}
      />
      {conductor ? (
        <>
          <QuantityInput
            label="Size"
            dimension="conductor-size"
            value={draft.size}
            unit={size}
            onChange={(value) => set({ size: value })}
          />
          <QuantityInput
            label="Length"
            dimension="cable-length"
            value={draft.length}
            unit={units.cable}
            onChange={(length) => set({ length })}
          />
          {state.header?.earthMethod === 'adiabatic' ? (
            <>
              <QuantityInput
                label="Fault current"
                dimension="current"
                value={draft.faultCurrent}
                onChange={(faultCurrent) => set({ faultCurrent })}
              />
              <QuantityInput
                label="Clearing time"
                dimension="time"
                value={draft.clearingTime}
                onChange={(clearingTime) => set({ clearingTime })}
              />
            </>
          ) : (
            <QuantityInput
              label="Line conductor beside it"
              dimension="conductor-size"
              value={draft.lineSize}
              unit={size}
              onChange={(lineSize) => set({ lineSize })}
            />
          )}
        </>
      ) : (
        <CountField
          label="How often fitted, this time included"
          most={100}
          value={draft.uses}
          onChange={(count) => set({ uses: count })}
          onClear={() => set({ uses: undefined })}
        />
      )}
    </PanelForm>
  )
}
