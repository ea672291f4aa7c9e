import { Box, Button, Flex, Grid, Input, Text, chakra } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import { useEffect, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { DIMENSIONS, INSTRUMENT_KINDS, INSTRUMENT_NAMES, canonicalUnit, formatQuantity, outOfCalibration, type Accuracy, type Dimension, type Instrument, type InstrumentKind } from '@plumb-mark/core'
import { useSession } from '../account/session.js'
import { Frame } from '../frame/frame.js'
import { get, put } from '../http/api.js'
import { Field } from '../marks/field.js'
import { Select } from '../marks/select.js'

const SOON_DAYS = 60
const Row = chakra('button', { base: { w: '100%', textAlign: 'left', display: 'grid', gridTemplateColumns: { base: '1fr auto', md: '1fr 1fr 220px' }, gap: '4px 16px', py: '12px', px: { base: '4px', md: '12px' }, borderBottom: '1px solid', borderColor: 'hair', cursor: 'pointer', _hover: { bg: 'panel' }, _disabled: { cursor: 'default' } } })

/** The office's instruments: what each measures, how well, and until when its calibration holds. */
export function InstrumentsView() {
  const role = useSession(({ person }) => person?.role)
  const [all, setAll] = useState<Instrument[]>()
  const [editing, setEditing] = useState<Instrument>()
  const [problem, setProblem] = useState('')
  const load = () => get<Instrument[]>('/api/instruments').then(setAll, (fault: Error) => setProblem(fault.message))
  useEffect(() => void load(), [])
  const sorted = [...(all ?? [])].sort((a, b) => a.calibratedUntil.localeCompare(b.calibratedUntil))
  const office = role === 'office'
  return (
    <Frame>
      <Box maxW="980px" mx="auto" px={{ base: '16px', md: '24px' }} py="28px">
        <Flex align="center">
          <Text as="h1" fontFamily="heading" fontWeight={600} fontSize="38px" lineHeight={1.1} flex="1">
            Instruments
          </Text>
          {office && (
            <Button onClick={() => setEditing({ id: `instrument-${uuid()}`, name: '', kind: 'multimeter', serial: '', calibratedUntil: '', accuracy: [] })}>
              <Plus size={18} /> Instrument
            </Button>
          )}
        </Flex>
        <Text color="faint" mt="4px">
          The first to run out stands first. A reading keeps the instrument as it was on that day{office ? '' : '; the office keeps these figures'}.
        </Text>
        {problem && (
          <Text role="alert" color="oxide" mt="10px">
            {problem}
          </Text>
        )}
        {editing && <InstrumentForm key={editing.id} instrument={editing} onDone={(kept) => (setEditing(undefined), kept && void load())} />}
        <Box mt="14px" borderTop="1px solid" borderColor="hair">
          {sorted.map((instrument) => (
            <Row key={instrument.id} type="button" disabled={!office} onClick={() => setEditing(instrument)}>
              <Box>
                <Text fontSize="18px" fontWeight={600} lineHeight={1.2}>
                  {instrument.name}
                </Text>
                <Text color="faint" fontSize="14px">
                  {INSTRUMENT_NAMES[instrument.kind]}, serial {instrument.serial}
                </Text>
              </Box>
              <Box fontSize="14px" fontFamily="mono" hideBelow="md">
                {instrument.accuracy.map((accuracy) => (
                  <Text key={accuracy.dimension}>{accuracyWords(accuracy)}</Text>
                ))}
              </Box>
              <Calibration until={instrument.calibratedUntil} />
            </Row>
          ))}
        </Box>
        {all?.length === 0 && <Text mt="16px">No instrument is kept yet. Without its uncertainty a reading proves nothing.</Text>}
      </Box>
    </Frame>
  )
}

function accuracyWords({ dimension, percent, plus }: Accuracy): string {
  const parts = [percent > 0 ? `${percent} %` : '', plus > 0 ? formatQuantity(plus, dimension) : ''].filter(Boolean)
  return `${dimension.replace(/-/g, ' ')} ± ${parts.join(' + ') || `0 ${canonicalUnit(dimension)}`}`
}

export function Calibration({ until, day = new Date().toISOString() }: { until: string; day?: string }) {
  const over = outOfCalibration({ calibratedUntil: until } as Instrument, day)
  const days = Math.round((Date.parse(until) - Date.parse(day.slice(0, 10))) / 86_400_000)
  return (
    <Text fontSize="14px" color={over ? 'oxide' : days <= SOON_DAYS ? 'brass' : 'ink'} fontWeight={over ? 700 : 400} textAlign={{ md: 'right' }}>
      {over ? `calibration ended ${until}` : `calibrated until ${until}`}
      {!over && days <= SOON_DAYS ? `, ${days} days left` : ''}
    </Text>
  )
}

function InstrumentForm({ instrument, onDone }: { instrument: Instrument; onDone: (kept: boolean) => void }) {
  const [draft, setDraft] = useState(instrument)
  const [problem, setProblem] = useState('')
  const set = (part: Partial<Instrument>) => setDraft({ ...draft, ...part })
  const row = (i: number, part: Partial<Accuracy>) => set({ accuracy: draft.accuracy.map((one, at) => (at === i ? { ...one, ...part } : one)) })
  const keep = async () => {
    try {
      await put(`/api/instruments/${draft.id}`, draft)
      onDone(true)
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <Box as="form" bg="panel" border="1px solid" borderColor="hair" borderRadius="4px" p="14px" mt="14px" onSubmit={(event: React.FormEvent) => (event.preventDefault(), void keep())} aria-label="Instrument">
      <Grid templateColumns={{ base: '1fr', md: 'repeat(4, 1fr)' }} gap="10px">
        <Field label="Name">{(ids) => <Input {...ids} required value={draft.name} autoFocus onChange={(event) => set({ name: event.target.value })} />}</Field>
        <Field label="Kind">
          {(ids) => (
            <Select {...ids} value={draft.kind} onChange={(event) => set({ kind: event.target.value as InstrumentKind })}>
              {INSTRUMENT_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {INSTRUMENT_NAMES[kind]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Serial">{(ids) => <Input {...ids} required value={draft.serial} onChange={(event) => set({ serial: event.target.value })} />}</Field>
        <Field label="Calibrated until">{(ids) => <Input {...ids} type="date" required value={draft.calibratedUntil} onChange={(event) => set({ calibratedUntil: event.target.value })} />}</Field>
      </Grid>
      {draft.accuracy.map(({ dimension, percent, plus }, i) => (
        <Grid key={i} templateColumns={{ base: '1fr 1fr', md: '1fr 1fr 1fr auto' }} gap="10px" mt="8px" alignItems="end">
          <Field label="measures">
            {(ids) => (
              <Select {...ids} value={dimension} onChange={(event) => row(i, { dimension: event.target.value as Dimension })}>
                {DIMENSIONS.map((one) => (
                  <option key={one} value={one}>
                    {one.replace(/-/g, ' ')}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Field label="uncertainty (k = 2), % of reading">{(ids) => <Input {...ids} type="number" step="any" min={0} max={100} value={percent} onChange={(event) => row(i, { percent: Number(event.target.value) })} />}</Field>
          <Field label={`plus, ${canonicalUnit(dimension) || 'pieces'}`}>{(ids) => <Input {...ids} type="number" step="any" min={0} value={plus} onChange={(event) => row(i, { plus: Number(event.target.value) })} />}</Field>
          <Button variant="plain" px="0" minW="44px" onClick={() => set({ accuracy: draft.accuracy.filter((_, at) => at !== i) })} aria-label={`No longer measures ${dimension}`}>
            <X size={18} />
          </Button>
        </Grid>
      ))}
      {problem && (
        <Text role="alert" color="oxide" mt="8px">
          {problem}
        </Text>
      )}
      <Flex gap="8px" mt="12px" wrap="wrap">
        <Button type="submit">Keep</Button>
        <Button variant="outline" onClick={() => set({ accuracy: [...draft.accuracy, { dimension: 'voltage', percent: 1, plus: 0 }] })}>
          <Plus size={17} /> It also measures
        </Button>
        <Button variant="plain" onClick={() => onDone(false)}>
          Cancel
        </Button>
      </Flex>
    </Box>
  )
}
