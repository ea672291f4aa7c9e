import { Button, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { SheetSummary } from '@plumb-mark/contract'
import { MOUNTED, PLACED, UNIT_KIND_WORDS, sheetName, type Situation, type UnitBuilt } from '@plumb-mark/core'
import { useSession } from '../account/session.js'
import { get } from '../http/api.js'
import { useSteps } from '../inspection/steps.js'
import { Field } from '../marks/field.js'
import { Select } from '../marks/select.js'
import { useInspection } from '../store/inspection.js'

const PLACED_WORDS = { indoors: 'indoors', outdoors: 'outdoors' } as const
const MOUNTED_WORDS = { wall: 'hangs on a wall', floor: 'stands on the floor', roof: 'lies on the roof' } as const

/** A unit with its sheet, its name, its ordered serial and where it is. A sheet that the job does not pin yet is pinned with it. */
export function UnitForm({ unit, onDone }: { unit: UnitBuilt | undefined; onDone: () => void }) {
  const { inspection, append, addSheet } = useInspection()
  const person = useSession((session) => session.person)!
  const make = useSteps((steps) => steps.make)
  const library = useLibrary()
  const [draft, setDraft] = useState({ label: unit?.label ?? '', sheetId: unit?.sheetId ?? '', serial: unit?.serial ?? '', situation: unit?.situation ?? {} })
  const [copies, setCopies] = useState(1)
  const [problem, setProblem] = useState('')
  const situation = (part: Partial<Situation>) => setDraft({ ...draft, situation: { ...draft.situation, ...part } })
  const keep = async () => {
    try {
      const pinned = inspection!.state.header!.sheets.some(({ id }) => id === draft.sheetId)
      if (!pinned) append(person, { kind: 'sheet-adopted', body: { sheet: await addSheet(draft.sheetId) } })
      const { label, sheetId, serial } = draft
      const body = (n: number): UnitBuilt => ({ ...unit, id: n === 0 && unit ? unit.id : `unit-${uuid()}`, label: copies > 1 ? `${label.trim()} ${n + 1}` : label.trim(), sheetId, serial: serial.trim() || undefined, situation: draft.situation })
      make(person, ...Array.from({ length: copies }, (_, n) => ({ kind: 'unit-fitted' as const, body: clean(body(n)) })))
      onDone()
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <form onSubmit={(event) => (event.preventDefault(), void keep())}>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="10px">
        <Field label="Sheet">
          {(ids) => (
            <Select {...ids} value={draft.sheetId} required onChange={(event) => setDraft({ ...draft, sheetId: event.target.value })}>
              <option value="">choose the maker’s sheet</option>
              {library.map((sheet) => (
                <option key={sheet.id} value={sheet.id}>
                  {sheetName(sheet)}: {UNIT_KIND_WORDS[sheet.kind]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Name on site">{(ids) => <Input {...ids} value={draft.label} required placeholder="Inverter 1" onChange={(event) => setDraft({ ...draft, label: event.target.value })} />}</Field>
        <Field label="Serial as ordered">{(ids) => <Input {...ids} value={draft.serial} fontFamily="mono" onChange={(event) => setDraft({ ...draft, serial: event.target.value })} />}</Field>
        {!unit && <Field label="How many alike">{(ids) => <Input {...ids} type="number" min={1} max={50} value={copies} onChange={(event) => setCopies(Math.min(50, Math.max(1, Number.parseInt(event.target.value, 10) || 1)))} />}</Field>}
        <Field label="Where">
          {(ids) => (
            <Select {...ids} value={draft.situation.placed ?? ''} onChange={(event) => situation({ placed: (event.target.value || undefined) as Situation['placed'] })}>
              <option value="">not known yet</option>
              {PLACED.map((placed) => (
                <option key={placed} value={placed}>
                  {PLACED_WORDS[placed]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="How">
          {(ids) => (
            <Select {...ids} value={draft.situation.mounted ?? ''} onChange={(event) => situation({ mounted: (event.target.value || undefined) as Situation['mounted'] })}>
              <option value="">not known yet</option>
              {MOUNTED.map((mounted) => (
                <option key={mounted} value={mounted}>
                  {MOUNTED_WORDS[mounted]}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </Grid>
      {problem && (
        <Text role="alert" color="oxide" mt="8px">
          {problem}
        </Text>
      )}
      <Flex gap="8px" mt="12px">
        <Button type="submit" disabled={!draft.sheetId || draft.label.trim() === ''}>
          {unit ? 'Keep' : copies > 1 ? `Add ${copies} units` : 'Add the unit'}
        </Button>
        {unit && (
          <Button
            variant="plain"
            onClick={() => {
              make(person, { kind: 'unit-removed', body: { unitId: unit.id } })
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
  const [library, setLibrary] = useState<SheetSummary[]>([])
  useEffect(() => {
    get<SheetSummary[]>('/api/sheets').then(setLibrary, () => setLibrary([...pinned].map(([id, { maker, model, revision, kind, title }]) => ({ id, maker, model, revision, kind, title, date: '', fingerprint: '', requirements: 0, usedBy: 0 }))))
  }, [pinned])
  return library
}
