import { Button, FileUpload, Flex, Grid, Stack, Text } from '@chakra-ui/react'
import Papa from 'papaparse'
import { useState } from 'react'
import { canonicalUnit, stepFound, type TraceTest } from '@plumb-mark/core'
import { Note } from '../../../look/text.js'
import { ChoiceField, type Option } from '../../../marks/choice-field.js'
import { Problem } from '../../../marks/problem.js'
import { TextField } from '../../../marks/text-field.js'
import { useRecordings } from './recording.js'

interface Table {
  head: string[]
  rows: string[][]
}

/** A trace that was not recorded here: from a CSV whose columns are named, or a few moments typed by hand. */
export function TraceSources({ id, requirement }: { id: string; requirement: TraceTest }) {
  const [way, setWay] = useState<'file' | 'typed'>()
  const unit = canonicalUnit(requirement.watch.dimension)
  const { set } = useRecordings()
  const take = (source: 'file' | 'typed', rows: readonly (readonly [number, number])[]) => {
    const samples = [...rows].sort(([a], [b]) => a - b).map(([t, value]) => ({ t, value }))
    set(id, {
      source,
      startedAt: new Date().toISOString(),
      running: false,
      traced: [{ name: requirement.watch.label, unit }],
      t: samples.map(({ t }) => t),
      values: [samples.map(({ value }) => value)],
      eventAt: stepFound(samples),
    })
    setWay(undefined)
  }
  return (
    <Stack flex="1" minW="260px">
      <Flex gap="8px">
        <Button variant="outline" onClick={() => setWay(way === 'file' ? undefined : 'file')}>
          Read from a file
        </Button>
        <Button variant="outline" onClick={() => setWay(way === 'typed' ? undefined : 'typed')}>
          Type moments
        </Button>
      </Flex>
      {way === 'file' && <FromFile unit={unit} onTake={(rows) => take('file', rows)} />}
      {way === 'typed' && <Typed unit={unit} onTake={(rows) => take('typed', rows)} />}
    </Stack>
  )
}

const FACTORS: readonly Option[] = [
  ['1', 'as it stands'],
  ['1000', 'thousands (kW, kV)'],
  ['-1', 'with the sign turned'],
  ['-1000', 'thousands, with the sign turned'],
]

function FromFile({ unit, onTake }: { unit: string; onTake: (rows: [number, number][]) => void }) {
  const [table, setTable] = useState<Table>()
  const [time, setTime] = useState('0')
  const [value, setValue] = useState('1')
  const [factor, setFactor] = useState('1')
  const [problem, setProblem] = useState('')
  const read = async (file: File | undefined) => {
    if (!file) return
    const { data } = Papa.parse<string[]>(await file.text(), { skipEmptyLines: true })
    const [head = [], ...rows] = data
    setProblem(rows.length === 0 ? `${file.name} has no rows below its header` : '')
    setTable(rows.length === 0 ? undefined : { head, rows })
  }
  const take = () => {
    const rows = table!.rows.map(
      (row) =>
        [secondsIn(row[Number(time)]), Number(row[Number(value)]) * Number(factor)] as [number, number],
    )
    const bad = rows.findIndex(([t, v]) => !Number.isFinite(t) || !Number.isFinite(v))
    if (bad >= 0) return setProblem(`row ${bad + 2}: the time or the value is no number`)
    const first = rows[0]![0]
    const moments = new Map(rows.map(([t, v]) => [t - first, v]))
    onTake([...moments.entries()])
  }
  const columns = (table?.head ?? []).map((head, i): Option => [String(i), head || `column ${i + 1}`])
  return (
    <Stack>
      <FileUpload.Root
        accept={['text/csv', '.csv']}
        maxFiles={1}
        onFileAccept={({ files }) => void read(files[0])}
      >
        <FileUpload.HiddenInput />
        <FileUpload.Trigger asChild>
          <Button variant="outline">Choose a CSV file</Button>
        </FileUpload.Trigger>
      </FileUpload.Root>
      {table && (
        <>
          <Grid templateColumns="repeat(3, 1fr)" gap="10px">
            <ChoiceField label="Time, in s or as a date" value={time} options={columns} onChange={setTime} />
            <ChoiceField label={`Value, in ${unit}`} value={value} options={columns} onChange={setValue} />
            <ChoiceField label="Scale" value={factor} options={FACTORS} onChange={setFactor} />
          </Grid>
          <Button onClick={take}>Take {table.rows.length} rows</Button>
        </>
      )}
      <Problem>{problem}</Problem>
    </Stack>
  )
}

/** Seconds, or a date that is turned into seconds. */
function secondsIn(cell: string | undefined): number {
  const text = cell?.trim() ?? ''
  if (text === '') return NaN
  const plain = Number(text)
  return Number.isFinite(plain) ? plain : Date.parse(text) / 1000
}

const MOMENT = /^\s*(-?[\d.]+)\s*(?:s)?\s+(-?[\d.]+)/

function Typed({ unit, onTake }: { unit: string; onTake: (rows: [number, number][]) => void }) {
  const [text, setText] = useState('')
  const moments = text
    .split(/[;\n]/)
    .flatMap((one) =>
      MOMENT.test(one)
        ? [[Number(MOMENT.exec(one)![1]), Number(MOMENT.exec(one)![2])] as [number, number]]
        : [],
    )
  return (
    <Stack>
      <TextField
        label={`Moments: seconds and ${unit}, parted by ;`}
        value={text}
        onChange={setText}
        placeholder="0 6200; 8 6100; 12 0; 60 0"
      />
      <Note>{moments.length} moments read</Note>
      <Button disabled={moments.length < 2} onClick={() => onTake(moments)}>
        Take them
      </Button>
      {text !== '' && moments.length < 2 && <Text color="unproven">Two moments are needed at least.</Text>}
    </Stack>
  )
}
