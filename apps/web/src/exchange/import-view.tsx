import { Box, Button, Progress, Text } from '@chakra-ui/react'
import { Upload } from 'lucide-react'
import { useState, type FormEvent } from 'react'
import { Link } from 'react-router'
import type { Imported, ImportPreview, RecordKept } from '@plumb-mark/contract'
import { signerWords } from '@plumb-mark/core'
import { Page } from '../layout/page.js'
import { post, remove, sendFile } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Faint, Lead, Note, Small, Strong } from '../ui/theme/text.js'
import { TextField } from '../ui/text-field.js'
import { EntryLines } from './entry-lines.js'
import { JobsImport } from './jobs-import.js'
import { RecordsKept } from './records-kept.js'
import { Cluster } from '../ui/cluster.js'
import { FileButton } from '../ui/file-button.js'

/** A record that arrives as a ZIP: looked at first, then worked on here or kept to be read. Nothing is merged in silence. */
export function ImportView() {
  const [part, setPart] = useState<number>()
  const [preview, setPreview] = useState<ImportPreview>()
  const [done, setDone] = useState<Imported>()
  const [fault, setFault] = useState('')
  const records = useResource<RecordKept[]>('/api/records')
  const act = async (work: () => Promise<void>) => {
    setFault('')
    try {
      await work()
    } catch (problem) {
      setFault((problem as Error).message)
    } finally {
      setPart(undefined)
    }
  }
  const look = (file: File) =>
    act(async () => {
      setDone(undefined)
      setPreview(undefined)
      setPart(0)
      setPreview(await sendFile<ImportPreview>('POST', '/api/imports', 'zip', file, setPart))
    })
  const take = (as: 'job' | 'record') =>
    act(async () => {
      setDone(await post<Imported>(`/api/imports/${preview!.id}`, { as }))
      setPreview(undefined)
      await records.reload()
    })
  const accept = (name: string) =>
    act(async () =>
      setPreview(await post<ImportPreview>(`/api/imports/${preview!.id}/installation`, { name })),
    )
  const leave = () =>
    act(async () => {
      await remove(`/api/imports/${preview!.id}`)
      setPreview(undefined)
    })
  const forget = (id: string) =>
    act(async () => {
      await remove(`/api/records/${id}`)
      await records.reload()
    })
  return (
    <Page title="Import" width="860px" problem={fault || records.problem}>
      <Note mt="8px">
        A ZIP that another installation, or this one, exported. Its chain, signature, sheets, photos and
        traces are verified before anything is taken.
      </Note>
      <Box mt="14px">
        <FileButton
          label="Record (ZIP)"
          accept=".zip,application/zip"
          variant="solid"
          disabled={part !== undefined}
          onFiles={([file]) => file && look(file)}
        >
          <Upload size={18} /> Choose a ZIP
        </FileButton>
      </Box>
      {part !== undefined && (
        <Progress.Root
          value={part < 1 ? part * 100 : null}
          mt="14px"
          aria-label={part < 1 ? 'Sending' : 'Being verified'}
        >
          <Progress.Track>
            <Progress.Range />
          </Progress.Track>
        </Progress.Root>
      )}
      {preview && <Preview preview={preview} onTake={take} onAccept={accept} onLeave={leave} />}
      {done && (
        <Lead role="status" mt="20px">
          {done.number} {done.title} is here. <Link to={`/jobs/${done.openAs}`}>Open it</Link>
        </Lead>
      )}
      <RecordsKept records={records.value} onRemove={forget} />
      <JobsImport />
    </Page>
  )
}

function Preview({
  preview,
  onTake,
  onAccept,
  onLeave,
}: {
  preview: ImportPreview
  onTake: (as: 'job' | 'record') => Promise<void>
  onAccept: (name: string) => Promise<void>
  onLeave: () => Promise<void>
}) {
  const { number, title, site, entries, photos, traces, sealed, people, signer, meeting } = preview
  const { faults, unread, obstacle } = preview
  const changes = meeting.kind === 'new' || meeting.kind === 'extends'
  const mayWork = !obstacle && changes
  const mayRead = faults.length === 0
  return (
    <Box as="section" aria-label="What would change" mt="24px">
      <Text as="h2" fontSize="22px" fontWeight={600}>
        {number} · {title}
      </Text>
      <Faint>{site}</Faint>
      <Text mt="8px">
        {entries} entries by {people.join(', ')}; {counted(photos, 'photo')}, {counted(traces, 'trace')};{' '}
        {sealed ? 'signed and sealed' : 'not signed'}
      </Text>
      <Note>
        {signer.kind === 'nobody'
          ? 'No installation gave its word for where this record ends.'
          : `Exported by ${signerWords(signer)}.`}
      </Note>
      <Box
        mt="14px"
        p="14px"
        bg={faults.length === 0 ? 'accentWash' : 'dangerWash'}
        borderRadius="4px"
        role="status"
      >
        <MeetingWords meeting={meeting} />
        {obstacle && <Strong>It cannot be worked on here: {obstacle}.</Strong>}
        {faults.map((one) => (
          <Small key={one} overflowWrap="anywhere">
            {one}
          </Small>
        ))}
        {unread.length > 0 && (
          <Small overflowWrap="anywhere">
            Of a newer program, and not shown here: {unread.slice(0, 5).join(', ')}
            {unread.length > 5 && ` and ${unread.length - 5} more`}
          </Small>
        )}
      </Box>
      {signer.kind === 'stranger' && mayRead && <Acceptance signer={signer} onAccept={onAccept} />}
      <Cluster mt="14px">
        {mayWork && (
          <Button onClick={() => void onTake('job')}>
            {meeting.kind === 'extends'
              ? 'Continue the job with it'
              : sealed
                ? 'Take it among the jobs'
                : 'Open, to go on working here'}
          </Button>
        )}
        {mayRead && (
          <Button variant={mayWork ? 'outline' : 'solid'} onClick={() => void onTake('record')}>
            Open as a record to be read
          </Button>
        )}
        <Button variant="plain" onClick={() => void onLeave()}>
          Leave it
        </Button>
      </Cluster>
    </Box>
  )
}

/** The first meeting with another installation: its fingerprint is compared with people there, by another way than this file. */
function Acceptance({
  signer,
  onAccept,
}: {
  signer: { key: string }
  onAccept: (name: string) => Promise<void>
}) {
  const [name, setName] = useState('')
  return (
    <Box
      as="form"
      mt="14px"
      p="14px"
      borderWidth="1px"
      borderColor="hair"
      borderRadius="4px"
      onSubmit={(event: FormEvent) => (event.preventDefault(), void onAccept(name.trim()))}
    >
      <Strong>Is this an installation that you work with?</Strong>
      <Note>
        Ask people there for the fingerprint of their key (Office, Installations), not by the way this file
        came, and compare all of it. What they sign may then continue jobs here, always as told by them.
      </Note>
      <Text fontFamily="mono" fontSize={{ base: '16px', md: '19px' }} my="8px" overflowWrap="anywhere">
        {signer.key}
      </Text>
      <Cluster alignItems="flex-end">
        <TextField label="What it is called here" value={name} onChange={setName} maxLength={120} />
        <Button type="submit" variant="outline" disabled={!name.trim()}>
          Accept its word
        </Button>
      </Cluster>
    </Box>
  )
}

const counted = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`

function MeetingWords({ meeting }: { meeting: ImportPreview['meeting'] }) {
  switch (meeting.kind) {
    case 'new':
      return <Text>This job is not here yet.</Text>
    case 'same':
      return <Text>This job is here already, entry by entry: there is nothing to do.</Text>
    case 'older':
      return (
        <Text>
          This is an earlier state of the job that is here, which has {meeting.missing} entries more: there is
          nothing to do.
        </Text>
      )
    case 'extends':
      return (
        <>
          <Strong>It continues the job that is here by {meeting.added.length} entries:</Strong>
          <EntryLines lines={meeting.added} />
        </>
      )
    case 'fork':
      return (
        <>
          <Strong>
            After entry {meeting.at} both went on, each in its own way. Neither is changed: decide with the
            other installation which one is the record, and enter what is missing there.
          </Strong>
          <Cluster gap="24px" mt="8px">
            <EntryLines title="Here" lines={meeting.here} />
            <EntryLines title="In the file" lines={meeting.there} />
          </Cluster>
        </>
      )
  }
}
