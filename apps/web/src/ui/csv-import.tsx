import { Box, Button, Flex, Grid, Table, Text } from '@chakra-ui/react'
import { Upload } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import { guessColumns, plural, type CsvColumn, type CsvMapping, type CsvRead } from '@plumb-mark/core'
import { ChoiceField, optionsOf } from './choice-field.js'
import { Note, Strong } from './theme/text.js'
import { FileButton } from './file-button.js'

interface Opened {
  name: string
  headers: string[]
  rows: Record<string, string>[]
}

/** A mapping is remembered for files with the same headers. */
const keyOf = (file: string, headers: readonly string[]) => `plumb-mark-csv ${file} ${headers.join('|')}`
function remembered(file: string, headers: readonly string[]): CsvMapping | undefined {
  const kept = localStorage.getItem(keyOf(file, headers))
  return kept ? (JSON.parse(kept) as CsvMapping) : undefined
}

const MOST_FAULTS = 8

/** Rows of a CSV file: columns are named once, every row is looked at, and a file with one bad row is not taken at all. */
export function CsvImport<T>({
  subject,
  columns,
  read,
  onTake,
  guess = (headers) => guessColumns(headers, columns),
  words = { button: `Import ${subject}`, file: `File of ${subject}` },
  children,
}: {
  /** As in “readings”. */
  subject: string
  columns: readonly CsvColumn[]
  read: (rows: readonly Record<string, string>[], mapping: CsvMapping) => CsvRead<T>
  /** Takes them all or none; answers with what was not taken, in words. */
  onTake: (values: T[]) => Promise<string | undefined>
  /** A likely mapping by the words of the headers. */
  guess?: (headers: readonly string[]) => CsvMapping
  words?: { button: string; file: string }
  /** What is asked beside the columns. */
  children?: ReactNode
}) {
  const [opened, setOpened] = useState<Opened>()
  const [mapping, setMapping] = useState<CsvMapping>({})
  const [said, setSaid] = useState<string[]>([])
  const open = async (chosen: File) => {
    const text = (await chosen.text()).replace(/^\uFEFF/, '')
    const { default: Papa } = await import('papaparse')
    const { data, meta, errors } = Papa.parse<Record<string, string>>(text, {
      header: true,
      skipEmptyLines: 'greedy',
    })
    if (errors.length > 0 && data.length === 0) return setSaid([`${chosen.name}: ${errors[0]!.message}`])
    const headers = meta.fields ?? []
    setSaid([])
    setOpened({ name: chosen.name, headers, rows: data })
    setMapping(remembered(words.file, headers) ?? guess(headers))
  }
  const wanted = columns.filter(({ required }) => required)
  const mapped = wanted.every(({ key }) => mapping[key])
  // Each row is looked at before anything is taken: a file with one bad row shows it while the columns are being named.
  const table = opened && mapped ? read(opened.rows, mapping) : undefined
  const take = async () => {
    if (!opened || !table?.ok) return
    const refused = await onTake(table.values)
    if (refused !== undefined) return setSaid([`Nothing was taken: ${refused}`])
    localStorage.setItem(keyOf(words.file, opened.headers), JSON.stringify(mapping))
    setSaid([`${table.values.length} ${subject} taken from ${opened.name}`])
    setOpened(undefined)
  }
  return (
    <Box>
      <FileButton label={words.file} accept=".csv,text/csv" onFiles={([file]) => file && open(file)}>
        <Upload size={17} /> {words.button}
      </FileButton>
      {opened && (
        <Box
          role="region"
          aria-label={`${opened.name}: ${plural(opened.rows.length, 'row')}`}
          mt="10px"
          p="14px"
          bg="sunk"
          borderRadius="4px"
        >
          <Strong mb="8px">
            {opened.name}: {plural(opened.rows.length, 'row')}. Which column is which?
          </Strong>
          <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(3, 1fr)' }} gap="10px">
            {columns.map(({ key, header, required }) => (
              <ChoiceField
                key={key}
                label={required ? `${header} (needed)` : header}
                value={mapping[key] ?? ''}
                options={[['', 'not in this file'], ...optionsOf(opened.headers, String)]}
                onChange={(chosen) => setMapping({ ...mapping, [key]: chosen || undefined })}
              />
            ))}
            {children}
          </Grid>
          <Preview
            rows={opened.rows}
            columns={columns.flatMap(({ key, header }) => (mapping[key] ? [[header, mapping[key]]] : []))}
          />
          {table && !table.ok && (
            <Box role="alert" mt="8px" color="danger">
              <Strong>Nothing is taken of a file in which a row cannot be read.</Strong>
              {faultWords(table.faults).map((line) => (
                <Text key={line}>{line}</Text>
              ))}
            </Box>
          )}
          <Flex mt="12px" gap="10px">
            <Button onClick={() => void take()} disabled={!table?.ok}>
              Take the {subject}
            </Button>
            <Button variant="plain" onClick={() => (setOpened(undefined), setSaid([]))}>
              Cancel
            </Button>
          </Flex>
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

const SHOWN_ROWS = 4

/** The first rows as they will be read: under the names of the fields, so that a wrong column is seen. */
function Preview({
  rows,
  columns,
}: {
  rows: readonly Record<string, string>[]
  /** The name of a field, and the column of the file that fills it. */
  columns: readonly (readonly [string, string])[]
}) {
  if (columns.length === 0) return null
  return (
    <Box mt="12px" overflowX="auto">
      <Table.Root size="sm" aria-label="Preview">
        <Table.Header>
          <Table.Row>
            {columns.map(([header]) => (
              <Table.ColumnHeader key={header}>{header}</Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {rows.slice(0, SHOWN_ROWS).map((row, i) => (
            <Table.Row key={i}>
              {columns.map(([header, column]) => (
                <Table.Cell key={header}>{row[column]}</Table.Cell>
              ))}
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
      {rows.length > SHOWN_ROWS && <Note>and {plural(rows.length - SHOWN_ROWS, 'more row')}</Note>}
    </Box>
  )
}

function faultWords(faults: readonly { row: number; column: string; reason: string }[]): string[] {
  const lines = faults
    .slice(0, MOST_FAULTS)
    .map(({ row, column, reason }) => `row ${row}${column ? `, ${column}` : ''}: ${reason}`)
  return faults.length > MOST_FAULTS ? [...lines, `and ${faults.length - MOST_FAULTS} more`] : lines
}
