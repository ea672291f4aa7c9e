import { Box, Button, Flex } from '@chakra-ui/react'
import { Archive, FileJson } from 'lucide-react'
import { Navigate, useParams } from 'react-router'
import { v7 as uuid } from 'uuid'
import type { PhotoRoom } from '@plumb-mark/contract'
import {
  DEFECT_COLUMNS,
  READING_COLUMNS,
  defectsIn,
  defectsOut,
  readingsIn,
  readingsOut,
  serialsOut,
  type Change,
} from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useResource } from '../data/resource.js'
import { useCommit } from '../job/use-commit.js'
import { useWritable } from '../job/use-writable.js'
import { Note, PartTitle } from '../ui/theme/text.js'
import { Section } from '../ui/section.js'
import { sizeWords } from '../ui/size-words.js'
import { useDecimal } from '../data/preferences.js'
import { useInspection } from '../job/inspection.js'
import { isPracticeJob } from '../offline/practice-job.js'
import { ArchivePart } from './archive-part.js'
import { CsvExport } from '../ui/csv-export.js'
import { CsvImport } from '../ui/csv-import.js'
import { LongDownload } from '../data/long-download.js'
import { Cluster } from '../ui/cluster.js'

/** What leaves a job and what comes in: the whole record, and its tables. */
export function JobDataView() {
  const { jobId } = useParams()
  const inspection = useInspection((state) => state.inspection)
  const practising = isPracticeJob(jobId)
  const { value: room } = useResource<PhotoRoom>(practising ? undefined : `/api/jobs/${jobId}/photos`)
  const writable = useWritable()
  const office = useSession(({ person }) => person?.role === 'office')
  if (!inspection) return null
  // No server has anything of it.
  if (practising) return <Navigate to={`/jobs/${jobId}/sign-off`} replace />
  const { array, units } = inspection.state.asBuilt
  const name = (what: string) => `${inspection.state.header?.number ?? 'job'} ${what}`
  return (
    <Box layerStyle="page" maxW="860px">
      <PartTitle>Data of this job</PartTitle>
      <Section title="The whole record">
        <Note my="8px">
          One ZIP with the inspection file, sheets, photos, traces, the public key and a plain page that shows
          the record without this program. Another installation opens it with nothing lost.
        </Note>
        <Cluster>
          <LongDownload address={`/api/jobs/${jobId}/record.zip`}>
            <Archive size={17} /> Record (ZIP)
          </LongDownload>
          <Button asChild variant="outline">
            <a href={`/api/jobs/${jobId}/inspection.json`} download>
              <FileJson size={17} /> Inspection file (JSON)
            </a>
          </Button>
        </Cluster>
        {room && (
          <Note mt="10px">
            {room.count} photos, {sizeWords(room.bytes)} of the {sizeWords(room.quota)} that the photos of a
            job may take
          </Note>
        )}
      </Section>
      <Section title="Tables (CSV)">
        <Cluster mt="10px">
          <CsvExport label="Readings" name={name('readings')} table={() => readingsOut(inspection)} />
          <CsvExport label="Defects" name={name('defects')} table={() => defectsOut(inspection)} />
          <CsvExport
            label="Serials"
            name={name('serials')}
            table={() => serialsOut({ devices: array.devices, units })}
          />
        </Cluster>
        <Note mt="10px">
          Traces leave and come in where they are taken, serial lists on the array map, testers’ files beside
          the strings.
        </Note>
      </Section>
      {writable && <Imports />}
      {office && jobId && <ArchivePart jobId={jobId} number={inspection.state.header?.number ?? ''} />}
    </Box>
  )
}

function Imports() {
  const { inspection, instruments } = useInspection()
  const commit = useCommit()
  const person = useSession((session) => session.person)
  const decimal = useDecimal()
  if (!person || !inspection || person.role !== 'inspector') return null
  const take = (changes: Change[]) =>
    Promise.resolve(commit(...changes) ? undefined : useInspection.getState().refusal)
  return (
    <Section title="Import">
      <Note my="8px">
        All rows or none; a step that is taken back takes back all of them. The tables that leave above come
        in as they are.
      </Note>
      <Flex direction="column" gap="12px">
        <CsvImport
          subject="readings"
          columns={READING_COLUMNS.slice(0, 3)}
          read={(rows, mapping) => readingsIn(rows, mapping, { inspection, instruments, decimal })}
          onTake={(bodies) => take(bodies.map((body) => ({ kind: 'reading', body })))}
        />
        <CsvImport
          subject="defects"
          columns={DEFECT_COLUMNS.slice(0, 4)}
          read={(rows, mapping) => defectsIn(rows, mapping, { inspection, newId: uuid })}
          onTake={(bodies) => take(bodies.map((body) => ({ kind: 'defect-raised', body })))}
        />
      </Flex>
    </Section>
  )
}
