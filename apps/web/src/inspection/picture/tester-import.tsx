import { Box, Button, Flex, Grid, Text } from '@chakra-ui/react'
import { Upload } from 'lucide-react'
import Papa from 'papaparse'
import { useRef, useState } from 'react'
import {
  TESTER_COLUMNS,
  guessMapping,
  readTesterTable,
  type TesterColumn,
  type TesterMapping,
} from '@plumb-mark/core'
import { useSession } from '../../account/session.js'
import { ChoiceField, optionsOf } from '../../marks/choice-field.js'
import { useDecimal } from '../../store/decimal.js'
import { useInspection } from '../../store/inspection.js'
import { InstrumentChoice } from '../checks/instrument-choice.js'
import { Panel } from './panel.js'
import { useMake } from '../use-make.js'
import { useWritable } from '../use-writable.js'

interface Opened {
  name: string
  headers: string[]
  rows: Record<string, string>[]
}

/** A mapping is remembered for files with the same headers: the next file of the same tester is read without asking. */
const remembered = {
  key: (headers: readonly string[]) => `plumb-mark-tester ${headers.join('|')}`,
  read(headers: readonly string[]): TesterMapping | undefined {
    const kept = localStorage.getItem(this.key(headers))
    return kept ? (JSON.parse(kept) as TesterMapping) : undefined
  },
  keep(headers: readonly string[], mapping: TesterMapping): void {
    localStorage.setItem(this.key(headers), JSON.stringify(mapping))
  },
}

/** Readings of strings from a tester's CSV file: columns are named once, a file with one bad row is not taken at all. */
export function TesterImport() {
  const { inspection, instruments } = useInspection()
  const make = useMake()
  const person = useSession((session) => session.person)
  const decimal = useDecimal((state) => state.decimal)
  const writable = useWritable()
  const file = useRef<HTMLInputElement>(null)
  const [opened, setOpened] = useState<Opened>()
  const [mapping, setMapping] = useState<TesterMapping>({})
  const [tester, setTester] = useState('')
  const [said, setSaid] = useState<string[]>([])
  if (!writable || person?.role !== 'inspector' || !inspection) return null
  const open = async (chosen: File | undefined) => {
    if (!chosen) return
    const { data, meta, errors } = Papa.parse<Record<string, string>>(
      (await chosen.text()).replace(/^\uFEFF/, ''),
      { header: true, skipEmptyLines: 'greedy' },
    )
    const headers = meta.fields ?? []
    if (errors.length > 0 && data.length === 0) return setSaid([`${chosen.name}: ${errors[0]!.message}`])
    setSaid([])
    setOpened({ name: chosen.name, headers, rows: data })
    setMapping(remembered.read(headers) ?? guessMapping(headers))
  }
  const take = () => {
    if (!opened) return
    const table = readTesterTable(opened.rows, mapping, inspection.checks, {
      instrument: instruments.find(({ id }) => id === tester),
      decimal,
    })
    if (!table.ok)
      return setSaid(
        table.faults
          .slice(0, 8)
          .map(({ row, column, reason }) => `row ${row}${column ? `, ${column}` : ''}: ${reason}`)
          .concat(table.faults.length > 8 ? [`and ${table.faults.length - 8} more`] : []),
      )
    remembered.keep(opened.headers, mapping)
    make(...table.readings.map((body) => ({ kind: 'reading' as const, body })))
    setOpened(undefined)
    setSaid([`${table.readings.length} readings taken from ${opened.name}`])
  }
  return (
    <Box px={{ base: '12px', lg: '24px' }} pb="12px">
      <Button variant="outline" onClick={() => file.current?.click()}>
        <Upload size={17} /> From a tester’s file
      </Button>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        hidden
        aria-label="Tester file"
        onChange={(event) => void open(event.target.files?.[0]).then(() => (event.target.value = ''))}
      />
      {opened && (
        <Box mt="10px">
          <Panel title={`${opened.name}: ${opened.rows.length} rows`} onClose={() => setOpened(undefined)}>
            <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(3, 1fr)' }} gap="10px">
              {(Object.keys(TESTER_COLUMNS) as TesterColumn[]).map((column) => (
                <ChoiceField
                  key={column}
                  label={[TESTER_COLUMNS[column].label, TESTER_COLUMNS[column].unit]
                    .filter(Boolean)
                    .join(', ')}
                  value={mapping[column] ?? ''}
                  options={[['', 'not in this file'], ...optionsOf(opened.headers, String)]}
                  onChange={(header) => setMapping({ ...mapping, [column]: header || undefined })}
                />
              ))}
              <InstrumentChoice
                label="Read with"
                instruments={instruments}
                chosen={instruments.find(({ id }) => id === tester)}
                onChoose={setTester}
              />
            </Grid>
            <Flex mt="12px">
              <Button onClick={take} disabled={!mapping.string}>
                Take the readings
              </Button>
            </Flex>
          </Panel>
        </Box>
      )}
      <Box role="status" mt="6px" fontSize="14px">
        {said.map((line) => (
          <Text key={line}>{line}</Text>
        ))}
      </Box>
    </Box>
  )
}
