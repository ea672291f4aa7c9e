import { Button, Flex, Grid, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { canonicalUnit, type Trace, type TraceTest } from '@plumb-mark/core'
import { traceWork } from '../../data/workers/use-trace.js'
import { Note, Unproven } from '../../ui/theme/text.js'
import { ChoiceField, type Option } from '../../ui/choice-field.js'
import { Problem } from '../../ui/problem.js'
import { TextField } from '../../ui/text-field.js'
import type { Mapping } from '../../data/workers/trace-work.js'
import { recordingOf, useRecordings } from './recording.js'
import { FileButton } from '../../ui/file-button.js'

interface Table {
  head: string[]
  rows: string[][]
}

/** A trace that was not recorded here: from a CSV whose columns are named, or a few moments typed by hand. */
export function TraceSources({ id, requirement }: { id: string; requirement: TraceTest }) {
  const [way, setWay] = useState<'file' | 'typed'>()
  const unit = canonicalUnit(requirement.watch.dimension)
  const { set } = useRecordings()
  const mapping = { time: 0, value: 1, factor: 1, name: requirement.watch.label, unit }
  const take = (source: 'file' | 'typed', trace: Trace, eventAt: number | undefined) => {
    set(id, recordingOf(trace, source, eventAt))
    setWay(undefined)
  }
  const typed = async (rows: string[][]) => {
    const { trace, eventAt } = await traceWork('map', { rows, mapping })
    take('typed', trace, eventAt)
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
      {way === 'file' && (
        <FromFile mapping={mapping} onTake={(trace, eventAt) => take('file', trace, eventAt)} />
      )}
      {way === 'typed' && <Typed unit={unit} onTake={(rows) => void typed(rows)} />}
    </Stack>
  )
}

const FACTORS: readonly Option[] = [
  ['1', 'as it stands'],
  ['1000', 'thousands (kW, kV)'],
  ['-1', 'with the sign turned'],
  ['-1000', 'thousands, with the sign turned'],
]

function FromFile({
  mapping,
  onTake,
}: {
  mapping: Mapping
  onTake: (trace: Trace, eventAt: number | undefined) => void
}) {
  const [table, setTable] = useState<Table>()
  const [time, setTime] = useState('0')
  const [value, setValue] = useState('1')
  const [factor, setFactor] = useState('1')
  const [problem, setProblem] = useState('')
  const { unit } = mapping
  const read = async (file: File) => {
    const { default: Papa } = await import('papaparse')
    const { data } = Papa.parse<string[]>(await file.text(), { skipEmptyLines: true })
    const [head = [], ...rows] = data
    setProblem(rows.length === 0 ? `${file.name} has no rows below its header` : '')
    setTable(rows.length === 0 ? undefined : { head, rows })
  }
  const take = async () => {
    const chosen = { ...mapping, time: Number(time), value: Number(value), factor: Number(factor) }
    try {
      const { trace, eventAt } = await traceWork('map', { rows: table!.rows, mapping: chosen })
      onTake(trace, eventAt)
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  const columns = (table?.head ?? []).map((head, i): Option => [String(i), head || `column ${i + 1}`])
  return (
    <Stack>
      <FileButton label="Trace file" accept=".csv,text/csv" onFiles={([file]) => file && read(file)}>
        Choose a CSV file
      </FileButton>
      {table && (
        <>
          <Grid templateColumns="repeat(3, 1fr)" gap="10px">
            <ChoiceField label="Time, in s or as a date" value={time} options={columns} onChange={setTime} />
            <ChoiceField label={`Value, in ${unit}`} value={value} options={columns} onChange={setValue} />
            <ChoiceField label="Scale" value={factor} options={FACTORS} onChange={setFactor} />
          </Grid>
          <Button onClick={() => void take()}>Take {table.rows.length} rows</Button>
        </>
      )}
      <Problem>{problem}</Problem>
    </Stack>
  )
}

const MOMENT = /^\s*(-?[\d.]+)\s*(?:s)?\s+(-?[\d.]+)/

function Typed({ unit, onTake }: { unit: string; onTake: (rows: string[][]) => void }) {
  const [text, setText] = useState('')
  const moments = text.split(/[;\n]/).flatMap((one) => {
    const [, t, value] = MOMENT.exec(one) ?? []
    return t && value ? [[t, value]] : []
  })
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
      {text !== '' && moments.length < 2 && <Unproven>Two moments are needed at least.</Unproven>}
    </Stack>
  )
}
