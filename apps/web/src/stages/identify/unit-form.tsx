import { Button, Flex, Grid } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { SheetSummary } from '@plumb-mark/contract'
import { MOUNTED, PLACED, UNIT_KIND_WORDS, sheetName, type Situation, type UnitBuilt } from '@plumb-mark/core'
import { useSession } from '../../data/session.js'
import { useResource } from '../../data/resource.js'
import { useCommit } from '../../job/use-commit.js'
import { ChoiceField, optionsOf, type Option } from '../../ui/choice-field.js'
import { Problem } from '../../ui/problem.js'
import { CountField, TextField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'

const PLACED_WORDS = { indoors: 'indoors', outdoors: 'outdoors' } as const
const MOUNTED_WORDS = {
  wall: 'hangs on a wall',
  floor: 'stands on the floor',
  roof: 'lies on the roof',
} as const

/** A unit with its sheet, its name, its ordered serial and where it is. A sheet that the job does not pin yet is pinned with it. */
export function UnitForm({ unit, onDone }: { unit: UnitBuilt | undefined; onDone: () => void }) {
  const { inspection, append, addSheet } = useInspection()
  const person = useSession((session) => session.person)!
  const commit = useCommit()
  const library = useLibrary()
  const [draft, setDraft] = useState({
    label: unit?.label ?? '',
    sheetId: unit?.sheetId ?? '',
    serial: unit?.serial ?? '',
    situation: unit?.situation ?? {},
  })
  const [copies, setCopies] = useState(1)
  const [problem, setProblem] = useState('')
  const situation = (part: Partial<Situation>) =>
    setDraft({ ...draft, situation: { ...draft.situation, ...part } })
  const keep = async () => {
    try {
      const pinned = inspection!.state.header!.sheets.some(({ id }) => id === draft.sheetId)
      if (!pinned) append(person, { kind: 'sheet-adopted', body: { sheet: await addSheet(draft.sheetId) } })
      const { label, sheetId, serial } = draft
      const body = (n: number): UnitBuilt => ({
        ...unit,
        id: n === 0 && unit ? unit.id : `unit-${uuid()}`,
        label: copies > 1 ? `${label.trim()} ${n + 1}` : label.trim(),
        sheetId,
        serial: serial.trim() || undefined,
        situation: draft.situation,
      })
      commit(
        ...Array.from({ length: copies }, (_, n) => ({ kind: 'unit-fitted' as const, body: clean(body(n)) })),
      )
      onDone()
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <form onSubmit={(event) => (event.preventDefault(), void keep())}>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="10px">
        <ChoiceField
          label="Sheet"
          value={draft.sheetId}
          options={[
            ['', 'choose the maker’s sheet'],
            ...library.map((sheet): Option => [
              sheet.id,
              `${sheetName(sheet)}: ${UNIT_KIND_WORDS[sheet.kind]}`,
            ]),
          ]}
          required
          onChange={(sheetId) => setDraft({ ...draft, sheetId })}
        />
        <TextField
          label="Name on site"
          value={draft.label}
          required
          placeholder="Inverter 1"
          onChange={(text) => setDraft({ ...draft, label: text })}
        />
        <TextField
          label="Serial as ordered"
          value={draft.serial}
          fontFamily="mono"
          onChange={(text) => setDraft({ ...draft, serial: text })}
        />
        {!unit && <CountField label="How many alike" most={50} value={copies} onChange={setCopies} />}
        <ChoiceField
          label="Where"
          value={draft.situation.placed ?? ''}
          options={[['', 'not known yet'], ...optionsOf(PLACED, PLACED_WORDS)]}
          onChange={(placed) => situation({ placed: placed || undefined })}
        />
        <ChoiceField
          label="How"
          value={draft.situation.mounted ?? ''}
          options={[['', 'not known yet'], ...optionsOf(MOUNTED, MOUNTED_WORDS)]}
          onChange={(mounted) => situation({ mounted: mounted || undefined })}
        />
      </Grid>
      <Problem mt="8px">{problem}</Problem>
      <Flex gap="8px" mt="12px">
        <Button type="submit" disabled={!draft.sheetId || draft.label.trim() === ''}>
          {unit ? 'Save' : copies > 1 ? `Add ${copies} units` : 'Add the unit'}
        </Button>
        {unit && (
          <Button
            variant="plain"
            onClick={() => {
              commit({ kind: 'unit-removed', body: { unitId: unit.id } })
              onDone()
            }}
          >
            Remove
          </Button>
        )}
      </Flex>
    </form>
  )
}

/** What was left empty is not sent at all. */
function clean(unit: UnitBuilt): UnitBuilt {
  return JSON.parse(JSON.stringify(unit)) as UnitBuilt
}

/** The sheets of the library, or those that the job pins when the server cannot be reached. */
export function useLibrary(): SheetSummary[] {
  const pinned = useInspection(({ sheets }) => sheets)
  const { value, problem } = useResource<SheetSummary[]>('/api/sheets')
  return useMemo(
    () =>
      value ??
      (problem === ''
        ? []
        : [...pinned].map(([id, { maker, model, revision, kind, title }]) => ({
            id,
            maker,
            model,
            revision,
            kind,
            title,
            date: '',
            fingerprint: '',
            requirements: 0,
            usedBy: 0,
          }))),
    [value, problem, pinned],
  )
}
