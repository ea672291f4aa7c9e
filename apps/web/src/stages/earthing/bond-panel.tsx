import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { BOND_MEANS, BOND_WORDS, unitsOf, type Bond, type BondMeans } from '@plumb-mark/core'
import { named, optionsOf } from '../../ui/choice-field.js'
import { EntityFields, NOT_LOOKED } from '../../ui/entity-fields.js'
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
  const { size, cable } = unitsOf(state.header)
  const foot = parts.find(({ kind }) => kind === 'bar') ?? parts.find(({ kind }) => kind === 'main-terminal')
  const [draft, setDraft] = useState<Omit<Bond, 'id' | 'means'> & { means: BondMeans | undefined }>(
    bond ?? {
      from: from ?? parts.find(({ id }) => id !== foot?.id)?.id ?? '',
      to: foot?.id ?? parts[0]?.id ?? '',
      means: undefined,
    },
  )
  const conductor = draft.means !== 'washer' && draft.means !== 'plate'
  const adiabatic = state.header?.earthMethod === 'adiabatic'
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
      lacking={draft.from === draft.to || !draft.from || !draft.to || draft.means === undefined}
      onKeep={keep}
      onRemove={bond && (() => commit({ kind: 'bond-removed', body: { bondId: bond.id } }))}
      onClose={onDone}
      proposed={proposed}
    >
      <EntityFields
        draft={draft}
        onChange={setDraft}
        fields={[
          { choice: 'from', label: 'From', options: named(parts) },
          { choice: 'to', label: 'To, towards the main terminal', options: named(parts) },
          { choice: 'means', label: 'By', options: bond ? MEANS : [NOT_LOOKED, ...MEANS] },
          conductor && { quantity: 'size', label: 'Size', dimension: 'conductor-size', unit: size },
          conductor && { quantity: 'length', label: 'Length', dimension: 'cable-length', unit: cable },
          conductor &&
            adiabatic && { quantity: 'faultCurrent', label: 'Fault current', dimension: 'current' },
          conductor && adiabatic && { quantity: 'clearingTime', label: 'Clearing time', dimension: 'time' },
          conductor &&
            !adiabatic && {
              quantity: 'lineSize',
              label: 'Line conductor beside it',
              dimension: 'conductor-size',
              unit: size,
            },
          !conductor && { count: 'uses', label: 'How often fitted, this time included', most: 100 },
        ]}
      />
    </PanelForm>
  )
}

const MEANS = optionsOf(BOND_MEANS, BOND_WORDS)
