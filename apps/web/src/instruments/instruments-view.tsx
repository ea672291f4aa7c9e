import { Box, Button, Grid, Input, Text, chakra } from '@chakra-ui/react'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import {
  DIMENSIONS,
  INSTRUMENT_COLUMNS,
  CARRIED_INSTRUMENTS,
  type CarriedInstrument,
  INSTRUMENT_NAMES,
  accuracyWords,
  canonicalUnit,
  dimensionWords,
  instrumentsIn,
  instrumentsOut,
  outOfCalibration,
  unstatedIn,
  type Accuracy,
  type Instrument,
} from '@plumb-mark/core'
import { Faint, Note, PartHeading } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { Page } from '../layout/page.js'
import { CsvExport } from '../ui/csv-export.js'
import { CsvImport } from '../ui/csv-import.js'
import { post, put } from '../data/api.js'
import { RowsComing } from '../ui/rows-coming.js'
import { useResource } from '../data/resource.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { Field } from '../ui/field.js'
import { Problem } from '../ui/problem.js'
import { TextField } from '../ui/text-field.js'
import { Cluster } from '../ui/cluster.js'
import { IconButton } from '../ui/buttons.js'

const SOON_DAYS = 60
const Row = chakra('button', {
  base: {
    w: '100%',
    textAlign: 'left',
    display: 'grid',
    gridTemplateColumns: { base: '1fr auto', md: '1fr 1fr 220px' },
    gap: '4px 16px',
    py: '12px',
    px: { base: '4px', md: '12px' },
    borderBottom: '1px solid',
    borderColor: 'hair',
    cursor: 'pointer',
    _hover: { bg: 'panel' },
    _disabled: { cursor: 'default' },
  },
})

/** The office's instruments: what each measures, how well, and until when its calibration holds. */
export function InstrumentsView() {
  const role = useSession(({ person }) => person?.role)
  const { value: all, problem, reload } = useResource<Instrument[]>('/api/instruments')
  const [editing, setEditing] = useState<Instrument>()
  const sorted = [...(all ?? [])].sort((a, b) => a.calibratedUntil.localeCompare(b.calibratedUntil))
  const office = role === 'office'
  return (
    <Page
      title="Instruments"
      width="980px"
      problem={problem}
      actions={
        office && (
          <Button
            onClick={() =>
              setEditing({
                id: `instrument-${uuid()}`,
                name: '',
                kind: 'multimeter',
                serial: '',
                calibratedUntil: '',
                accuracy: [],
              })
            }
          >
            <Plus size={18} /> Instrument
          </Button>
        )
      }
    >
      <Faint mt="4px">
        The first to run out stands first. A reading keeps the instrument as it was on that day
        {office ? '' : '; the office keeps these figures'}.
      </Faint>
      {editing && (
        <InstrumentForm
          key={editing.id}
          instrument={editing}
          onDone={(kept) => (setEditing(undefined), kept && void reload())}
        />
      )}
      <Box layerStyle="ruleAbove" mt="14px">
        {sorted.map((instrument) => (
          <Row key={instrument.id} type="button" disabled={!office} onClick={() => setEditing(instrument)}>
            <Box>
              <PartHeading as="p">{instrument.name}</PartHeading>
              <Note>
                {INSTRUMENT_NAMES[instrument.kind]}, serial {instrument.serial}
              </Note>
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
      {office && all && (
        <Cluster mt="18px" alignItems="flex-start">
          <CsvExport label="Export instruments" name="instruments" table={() => instrumentsOut(all)} />
          <CsvImport
            subject="instruments"
            columns={INSTRUMENT_COLUMNS}
            read={(rows, mapping) =>
              instrumentsIn(rows, mapping, { known: all, newId: () => `instrument-${uuid()}` })
            }
            onTake={(instruments) =>
              post('/api/instruments/import', { instruments }).then(
                () => void reload(),
                (fault: Error) => fault.message,
              )
            }
          />
        </Cluster>
      )}
      {!all && !problem && <RowsComing height="72px" />}
      {all?.length === 0 && (
        <Text mt="16px">No instrument is kept yet. Without its uncertainty a reading proves nothing.</Text>
      )}
    </Page>
  )
}

export function Calibration({ until, day = new Date().toISOString() }: { until: string; day?: string }) {
  const over = outOfCalibration({ calibratedUntil: until } as Instrument, day)
  const days = Math.round((Date.parse(until) - Date.parse(day.slice(0, 10))) / 86_400_000)
  return (
    <Text
      fontSize="14px"
      color={over ? 'danger' : days <= SOON_DAYS ? 'unproven' : 'text'}
      fontWeight={over ? 700 : 400}
      textAlign={{ md: 'right' }}
    >
      {over ? `calibration ended ${until}` : `calibrated until ${until}`}
      {!over && days <= SOON_DAYS ? `, ${days} days left` : ''}
    </Text>
  )
}

/** How well it measures as it is being entered: what the certificate says is not known before it was read. */
type TypedAccuracy = Pick<Accuracy, 'dimension' | 'upTo'> & Record<'percent' | 'plus', number | undefined>

/** One of the two may be left out where the other is there: then it is none. */
const asAccuracy = ({ percent = 0, plus = 0, ...rest }: TypedAccuracy): Accuracy => ({
  ...rest,
  percent,
  plus,
})

function InstrumentForm({ instrument, onDone }: { instrument: Instrument; onDone: (kept: boolean) => void }) {
  const [draft, setDraft] = useState<Omit<Instrument, 'accuracy'> & { accuracy: readonly TypedAccuracy[] }>(
    instrument,
  )
  const [problem, setProblem] = useState('')
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part })
  const row = (i: number, part: Partial<TypedAccuracy>) =>
    set({ accuracy: draft.accuracy.map((one, at) => (at === i ? { ...one, ...part } : one)) })
  const keep = async () => {
    const typed = { ...draft, accuracy: draft.accuracy.map(asAccuracy) }
    const [unstated] = unstatedIn(typed)
    if (unstated !== undefined)
      return setProblem(
        `How well it measures ${dimensionWords(unstated)} is wanting: take it from the certificate.`,
      )
    try {
      await put(`/api/instruments/${draft.id}`, typed)
      onDone(true)
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <Box
      layerStyle="card"
      as="form"
      mt="14px"
      onSubmit={(event: React.FormEvent) => (event.preventDefault(), void keep())}
      aria-label="Instrument"
    >
      <Grid templateColumns={{ base: '1fr', md: 'repeat(4, 1fr)' }} gap="10px">
        <TextField label="Name" required value={draft.name} autoFocus onChange={(name) => set({ name })} />
        <ChoiceField
          label="Kind"
          value={draft.kind as CarriedInstrument}
          options={optionsOf(CARRIED_INSTRUMENTS, INSTRUMENT_NAMES)}
          onChange={(kind) => set({ kind })}
        />
        <TextField label="Serial" required value={draft.serial} onChange={(serial) => set({ serial })} />
        <TextField
          label="Calibrated until"
          type="date"
          required
          value={draft.calibratedUntil}
          onChange={(calibratedUntil) => set({ calibratedUntil })}
        />
      </Grid>
      {draft.accuracy.map(({ dimension, percent, plus, upTo }, i) => (
        <Grid
          key={i}
          templateColumns={{ base: '1fr 1fr', md: '1fr 1fr 1fr 1fr auto' }}
          gap="10px"
          mt="8px"
          alignItems="end"
        >
          <ChoiceField
            label="measures"
            value={dimension}
            options={optionsOf(DIMENSIONS, dimensionWords)}
            onChange={(dimension) => row(i, { dimension })}
          />
          <FigureField
            label="uncertainty (k = 2), % of reading"
            max={100}
            value={percent}
            onChange={(percent) => row(i, { percent })}
          />
          <FigureField
            label={`plus, ${canonicalUnit(dimension) || 'pieces'}`}
            value={plus}
            onChange={(plus) => row(i, { plus })}
          />
          <FigureField
            label={`range ends at, ${canonicalUnit(dimension) || 'pieces'}`}
            value={upTo}
            onChange={(upTo) => row(i, { upTo })}
          />
          <IconButton
            onClick={() => set({ accuracy: draft.accuracy.filter((_, at) => at !== i) })}
            aria-label={`No longer measures ${dimension}`}
          >
            <X size={18} />
          </IconButton>
        </Grid>
      ))}
      <Problem mt="8px">{problem}</Problem>
      <Cluster mt="12px">
        <Button type="submit">Save</Button>
        <Button
          variant="outline"
          onClick={() =>
            set({
              accuracy: [...draft.accuracy, { dimension: 'voltage', percent: undefined, plus: undefined }],
            })
          }
        >
          <Plus size={17} /> What it measures, with uncertainty
        </Button>
        <Button variant="plain" onClick={() => onDone(false)}>
          Cancel
        </Button>
      </Cluster>
    </Box>
  )
}

function FigureField({
  label,
  value,
  max,
  onChange,
}: {
  label: string
  value: number | undefined
  max?: number
  onChange: (value: number | undefined) => void
}) {
  return (
    <Field label={label}>
      {(ids) => (
        <Input
          {...ids}
          type="number"
          step="any"
          min={0}
          max={max}
          value={value ?? ''}
          onChange={(event) => onChange(event.target.value === '' ? undefined : Number(event.target.value))}
        />
      )}
    </Field>
  )
}
