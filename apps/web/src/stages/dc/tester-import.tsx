import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import {
  TESTER_COLUMNS,
  guessMapping,
  readTesterTable,
  type CsvColumn,
  type TesterColumn,
  type TesterMapping,
} from '@plumb-mark/core'
import { useSession } from '../../data/session.js'
import { CsvImport } from '../../ui/csv-import.js'
import { useDecimal } from '../../data/preferences.js'
import { useInspection } from '../../job/inspection.js'
import { InstrumentChoice } from '../../checks/instrument-choice.js'
import { useCommit } from '../../job/use-commit.js'
import { useWritable } from '../../job/use-writable.js'

const COLUMNS: CsvColumn[] = (Object.keys(TESTER_COLUMNS) as TesterColumn[]).map((key) => {
  const { label, unit } = TESTER_COLUMNS[key]
  return { key, header: [label, unit].filter(Boolean).join(', ') }
})

/** Readings of strings from a tester's CSV file: columns are named once, a file with one bad row is not taken at all. */
export function TesterImport() {
  const { inspection, instruments } = useInspection()
  const commit = useCommit()
  const decimal = useDecimal()
  const inspector = useSession(({ person }) => person?.role === 'inspector')
  const writable = useWritable() && inspector
  const [tester, setTester] = useState('')
  if (!writable || !inspection) return null
  const instrument = instruments.find(({ id }) => id === tester)
  return (
    <Box px={{ base: '12px', lg: '24px' }} pb="12px">
      <CsvImport
        subject="readings"
        columns={COLUMNS}
        words={{ button: 'From a tester’s file', file: 'Tester file' }}
        guess={guessMapping}
        read={(rows, mapping) => {
          const table = readTesterTable(rows, mapping as TesterMapping, inspection.checks, {
            instrument,
            decimal,
          })
          return table.ok ? { ok: true, values: table.readings } : table
        }}
        onTake={(readings) =>
          Promise.resolve(
            commit(...readings.map((body) => ({ kind: 'reading' as const, body })))
              ? undefined
              : useInspection.getState().refusal,
          )
        }
      >
        <InstrumentChoice
          label="Read with"
          instruments={instruments}
          chosen={instrument}
          onChoose={setTester}
        />
      </CsvImport>
    </Box>
  )
}
