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
import { EntityFields, NOT_LOOKED } from '../../ui/entity-fields.js'
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
      <EntityFields
        draft={draft}
        onChange={setDraft}
        fields={[
          { text: 'label', label: 'Name' },
          { choice: 'kind', label: 'What it is', options: optionsOf(PART_KINDS, PART_WORDS) },
          { choice: 'unitId', label: 'Is the unit', options: [[undefined, 'none'], ...named(units)] },
          DRIVING_KINDS.includes(draft.kind)
            ? { quantity: 'source', label: 'Can drive', dimension: 'current' }
            : { quantity: 'rating', label: 'Rating', dimension: 'current' },
          { choice: 'residual', label: 'Residual-current kind', options: RESIDUALS },
          { choice: 'surge', label: 'Surge protection here', options: LOOKED_AT },
          { choice: 'labelled', label: 'Label of two supplies', options: LOOKED_AT },
        ]}
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

const LOOKED_AT = [NOT_LOOKED, [true, 'there'], [false, 'not there']] as const
const RESIDUALS = [
  NOT_LOOKED,
  ...optionsOf(RESIDUAL_KINDS, (kind) => (kind === 'none' ? 'none' : `type ${kind}`)),
]
