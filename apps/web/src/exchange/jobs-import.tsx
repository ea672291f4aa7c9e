import { Box, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { SheetSummary } from '@plumb-mark/contract'
import { JOB_COLUMNS, jobsIn, plural, type JobRow, type Person } from '@plumb-mark/core'
import { post } from '../data/api.js'
import { hereZone } from '../data/here-time.js'
import { useReload, useResource } from '../data/resource.js'
import { CsvImport } from '../ui/csv-import.js'
import { Note, SectionTitle } from '../ui/theme/text.js'

/** Jobs of a spreadsheet, opened all together or not at all. */
export function JobsImport() {
  const { value: sheets = [] } = useResource<SheetSummary[]>('/api/sheets')
  const { value: people = [] } = useResource<Person[]>('/api/people')
  const reload = useReload()
  const [opened, setOpened] = useState(0)
  const take = async (rows: JobRow[]): Promise<string | undefined> => {
    const jobs = rows.map(({ people: named, ...row }) => ({ ...row, people: named.map(({ id }) => id) }))
    try {
      await post('/api/jobs/import', { jobs, timeZone: hereZone() })
      setOpened(rows.length)
      await reload('/api/jobs')
      return undefined
    } catch (fault) {
      return (fault as Error).message
    }
  }
  return (
    <Box as="section" aria-label="Jobs from a spreadsheet" mt="28px">
      <SectionTitle>Jobs from a spreadsheet</SectionTitle>
      <Note mb="10px">
        CSV with number, title, site and customer; where they are known also units (“2 × Aldervane AH-8T;
        Thrumcap TB-10”), people by name, the day by which they are due, and rules (IEC or NEC).
      </Note>
      <CsvImport
        subject="jobs"
        columns={JOB_COLUMNS}
        read={(rows, mapping) => jobsIn(rows, mapping, { sheets: newestFirst(sheets), people })}
        onTake={take}
      />
      {opened > 0 && <Text role="status">{plural(opened, 'job')} opened.</Text>}
    </Box>
  )
}

const newestFirst = (sheets: readonly SheetSummary[]): SheetSummary[] =>
  sheets.toSorted((a, b) => b.revision.localeCompare(a.revision, undefined, { numeric: true }))
