import { Button } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { EARTH_PART_KINDS, EARTH_PART_WORDS, type EarthPart } from '@plumb-mark/core'
import { named, optionsOf } from '../../ui/choice-field.js'
import { EntityFields } from '../../ui/entity-fields.js'
import { useInspection } from '../../job/inspection.js'
import { useCommit } from '../../job/use-commit.js'
import { PanelForm } from '../panel-form.js'

/** A part that is bonded, or that bonds lead to. */
export function PartPanel({
  part,
  writable,
  onBond,
  onDone,
}: {
  part: EarthPart | undefined
  writable: boolean
  onBond: (from: string) => void
  onDone: () => void
}) {
  const units = useInspection(({ inspection }) => inspection!.state.asBuilt.units)
  const commit = useCommit()
  const [draft, setDraft] = useState<Omit<EarthPart, 'id'>>(part ?? { label: 'Earth bar', kind: 'bar' })
  const keep = () => {
    const { label, kind, unitId } = draft
    commit({
      kind: 'earth-part-found',
      body: { id: part?.id ?? `part-${uuid()}`, label: label.trim(), kind, ...(unitId && { unitId }) },
    })
  }
  return (
    <PanelForm
      title={part?.label ?? 'A new part'}
      what="part"
      writable={writable}
      lacking={draft.label.trim() === ''}
      columns={3}
      onKeep={keep}
      onRemove={part && (() => commit({ kind: 'earth-part-removed', body: { partId: part.id } }))}
      removeWords="Remove, with its bonds"
      onClose={onDone}
      more={
        part &&
        part.kind !== 'main-terminal' && (
          <Button variant="outline" onClick={() => onBond(part.id)}>
            Bond it
          </Button>
        )
      }
    >
      <EntityFields
        draft={draft}
        onChange={setDraft}
        fields={[
          { text: 'label', label: 'Name' },
          { choice: 'kind', label: 'What it is', options: optionsOf(EARTH_PART_KINDS, EARTH_PART_WORDS) },
          { choice: 'unitId', label: 'Belongs to', options: [[undefined, 'no unit'], ...named(units)] },
        ]}
      />
    </PanelForm>
  )
}
