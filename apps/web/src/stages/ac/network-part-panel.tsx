import { Text } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import {
  amps,
  cutInTwo,
  DRIVING_KINDS,
  PART_KINDS,
  PART_WORDS,
  protectionWords,
  RESIDUAL_KINDS,
  type Change,
  type NetworkPart,
  type PartLoad,
} from '@plumb-mark/core'
import { ChoiceField, named, optionsOf, type Option } from '../../ui/choice-field.js'
import { QuantityInput } from '../../ui/quantity-input.js'
import { TextField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { PanelForm } from '../panel-form.js'
import { useProposal } from '../proposed.js'

/** One part of the installation. A device put into a cable takes its place in it: the cable is cut in two. */
export function NetworkPartPanel({
  part,
  load,
  writable,
  onDone,
}: {
  part: NetworkPart | undefined
  load: PartLoad | undefined
  writable: boolean
  onDone: () => void
}) {
  const inspection = useInspection((state) => state.inspection)!
  const { units, network } = inspection.state.asBuilt
  const commit = useCommit()
  const proposed = useProposal('part', part?.id)
  const [draft, setDraft] = useState<Omit<NetworkPart, 'id'>>(part ?? { label: 'Isolator', kind: 'isolator' })
  const [into, setInto] = useState('')
  const set = (change: Partial<NetworkPart>) => setDraft({ ...draft, ...change })
  const keep = () => {
    const id = part?.id ?? `net-${uuid()}`
    const said = Object.fromEntries(
      Object.entries({ ...draft, label: draft.label.trim(), proposed: undefined }).filter(
        ([, value]) => value !== undefined && value !== '',
      ),
    ) as Omit<NetworkPart, 'id'>
    const cable = network.conductors.find((conductor) => conductor.id === into)
    const cut = cable
      ? cutInTwo(cable, id, { newId: `net-${uuid()}` }).map((body): Change => ({
          kind: 'conductor-run',
          body,
        }))
      : []
    commit({ kind: 'part-placed', body: { ...said, id } }, ...cut)
  }
  return (
    <PanelForm
      title={part?.label ?? 'A new part'}
      what="part"
      writable={writable}
      lacking={draft.label.trim() === ''}
      onKeep={keep}
      onRemove={part && (() => commit({ kind: 'part-removed', body: { partId: part.id } }))}
      removeWords="Remove, with its cables"
      onClose={onDone}
      proposed={proposed}
    >
      {load && (
        <Text gridColumn="1 / -1" color={load.overloaded ? 'danger' : 'text'}>
          {`Carries ${amps(load.carries)} at worst${load.mayCarry === undefined ? '' : `, may carry ${amps(load.mayCarry)}`}; ${protectionWords(load)}.`}
        </Text>
      )}
      <TextField label="Name" value={draft.label} required onChange={(label) => set({ label })} />
      <ChoiceField
        label="What it is"
        value={draft.kind}
        options={optionsOf(PART_KINDS, PART_WORDS)}
        onChange={(kind) => set({ kind })}
      />
      <ChoiceField
        label="Is the unit"
        value={draft.unitId ?? ''}
        options={[['', 'none'], ...named(units)]}
        onChange={(value) => set({ unitId: value || undefined })}
      />
      {DRIVING_KINDS.includes(draft.kind) ? (
        <QuantityInput
          label="Can drive"
          dimension="current"
          value={draft.source}
          onChange={(source) => set({ source })}
        />
      ) : (
        <QuantityInput
          label="Rating"
          dimension="current"
          value={draft.rating}
          onChange={(rating) => set({ rating })}
        />
      )}
      <ChoiceField
        label="Residual-current kind"
        value={draft.residual ?? ''}
        options={[
          ['', 'not looked at yet'] as const,
          ...optionsOf(RESIDUAL_KINDS, (kind) => (kind === 'none' ? 'none' : `type ${kind}`)),
        ]}
        onChange={(residual) => set({ residual: residual || undefined })}
      />
      <ChoiceField
        label="Surge protection here"
        value={yesOrNo(draft.surge)}
        options={LOOKED}
        onChange={(value) => set({ surge: LOOKED_AT[value] })}
      />
      <ChoiceField
        label="Label of two supplies"
        value={yesOrNo(draft.labelled)}
        options={LOOKED}
        onChange={(value) => set({ labelled: LOOKED_AT[value] })}
      />
      {!part && (
        <ChoiceField
          label="Put into the cable"
          value={into}
          options={[
            ['', 'none: it stands alone'],
            ...network.conductors.map(({ id, from, to }): Option => [
              id,
              `${inspection.context.labelOf(from)} – ${inspection.context.labelOf(to)}`,
            ]),
          ]}
          onChange={setInto}
        />
      )}
    </PanelForm>
  )
}

const LOOKED_AT = { '': undefined, yes: true, no: false } as const
const LOOKED = [
  ['', 'not looked at yet'],
  ['yes', 'there'],
  ['no', 'not there'],
] as const
const yesOrNo = (found: boolean | undefined): keyof typeof LOOKED_AT =>
  found === undefined ? '' : found ? 'yes' : 'no'
