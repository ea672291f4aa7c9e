import { Button, Grid, Input } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { EARTH_PART_KINDS, EARTH_PART_WORDS, type EarthPart, type EarthPartKind } from '@plumb-mark/core'
import { useSession } from '../../../account/session.js'
import { Field } from '../../../marks/field.js'
import { Select } from '../../../marks/select.js'
import { useInspection } from '../../../store/inspection.js'
import { useSteps } from '../../steps.js'
import { KeepRemove } from '../keep-remove.js'
import { Panel } from '../panel.js'

/** A part that is bonded, or that bonds lead to. */
export function PartPanel({ part, writable, onBond, onDone }: { part: EarthPart | undefined; writable: boolean; onBond: (from: string) => void; onDone: () => void }) {
  const units = useInspection(({ inspection }) => inspection!.state.asBuilt.units)
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const [draft, setDraft] = useState<Omit<EarthPart, 'id'>>(part ?? { label: 'Earth bar', kind: 'bar' })
  const keep = () => {
    const { label, kind, unitId } = draft
    make(person, { kind: 'earth-part-found', body: { id: part?.id ?? `part-${uuid()}`, label: label.trim(), kind, ...(unitId && { unitId }) } })
    onDone()
  }
  return (
    <Panel title={part?.label ?? 'A new part'} onClose={onDone}>
      <form onSubmit={(event) => (event.preventDefault(), keep())}>
        <Grid templateColumns={{ base: '1fr', md: 'repeat(3, 1fr)' }} gap="10px">
          <Field label="Name">{(ids) => <Input {...ids} value={draft.label} readOnly={!writable} onChange={(event) => setDraft({ ...draft, label: event.target.value })} required />}</Field>
          <Field label="What it is">
            {(ids) => (
              <Select {...ids} value={draft.kind} disabled={!writable} onChange={(event) => setDraft({ ...draft, kind: event.target.value as EarthPartKind })}>
                {EARTH_PART_KINDS.map((kind) => (
                  <option key={kind} value={kind}>
                    {EARTH_PART_WORDS[kind]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Field label="Belongs to">
            {(ids) => (
              <Select {...ids} value={draft.unitId ?? ''} disabled={!writable} onChange={(event) => setDraft({ ...draft, unitId: event.target.value || undefined })}>
                <option value="">no unit</option>
                {units.map(({ id, label }) => (
                  <option key={id} value={id}>
                    {label}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Grid>
        {writable && (
          <KeepRemove what="part" disabled={draft.label.trim() === ''} removeWords="Remove, with its bonds" onRemove={part && (() => (make(person, { kind: 'earth-part-removed', body: { partId: part.id } }), onDone()))}>
            {part && part.kind !== 'main-terminal' && (
              <Button variant="outline" onClick={() => onBond(part.id)}>
                Bond it
              </Button>
            )}
          </KeepRemove>
        )}
      </form>
    </Panel>
  )
}
