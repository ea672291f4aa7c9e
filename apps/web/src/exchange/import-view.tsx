import { Box, Button, Flex, Progress, Text } from '@chakra-ui/react'
import { Upload } from 'lucide-react'
import { useRef, useState } from 'react'
import { Link } from 'react-router'
import type { ImportPreview } from '@plumb-mark/contract'
import { Page } from '../frame/page.js'
import { post, remove, sendFile } from '../http/api.js'
import { Note } from '../look/text.js'
import { EntryLines } from './entry-lines.js'

/** A record that arrives as a ZIP: looked at first, then opened or continued. Nothing is merged in silence. */
export function ImportView() {
  const input = useRef<HTMLInputElement>(null)
  const [part, setPart] = useState<number>()
  const [preview, setPreview] = useState<ImportPreview>()
  const [done, setDone] = useState<ImportPreview>()
  const [fault, setFault] = useState('')
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
  const look = (file: File | undefined) =>
    file &&
    act(async () => {
      setDone(undefined)
      setPreview(undefined)
      setPart(0)
      setPreview(await sendFile<ImportPreview>('POST', '/api/imports', 'zip', file, setPart))
    })
  const take = (as: 'job' | 'record') =>
    act(async () => {
      setDone(await post<ImportPreview>(`/api/imports/${preview!.id}`, { as }))
      setPreview(undefined)
    })
  const leave = () =>
    act(async () => {
      await remove(`/api/imports/${preview!.id}`)
      setPreview(undefined)
    })
  return (
    <Page title="Import a record" width="860px" problem={fault}>
      <Note mt="8px">
        A ZIP that another installation, or this one, exported. Its chain, signature, sheets, photos and
        traces are verified before anything is taken.
      </Note>
      <Box mt="14px">
        <Button onClick={() => input.current?.click()} disabled={part !== undefined}>
          <Upload size={18} /> Choose a ZIP
        </Button>
        <input
          ref={input}
          type="file"
          accept=".zip,application/zip"
          hidden
          aria-label="Record (ZIP)"
          onChange={(event) => void look(event.target.files?.[0])}
        />
      </Box>
      {part !== undefined && (
        <Progress.Root value={part * 100} mt="14px" aria-label="Sending">
          <Progress.Track>
            <Progress.Range />
          </Progress.Track>
        </Progress.Root>
      )}
      {preview && <Preview preview={preview} onTake={take} onLeave={leave} />}
      {done && (
        <Text role="status" mt="20px" fontSize="18px">
          {done.number} {done.title} is here. <Link to={`/jobs/${done.jobId}`}>Open it</Link>
        </Text>
      )}
    </Page>
  )
}

function Preview({
  preview,
  onTake,
  onLeave,
}: {
  preview: ImportPreview
  onTake: (as: 'job' | 'record') => Promise<void>
  onLeave: () => Promise<void>
}) {
  const { number, title, site, entries, photos, traces, sealed, people, key, meeting, faults, obstacle } =
    preview
  const possible = !obstacle && meeting.kind !== 'fork'
  const changes = meeting.kind === 'new' || meeting.kind === 'extends'
  return (
    <Box as="section" aria-label="What would change" mt="24px">
      <Text as="h2" fontSize="22px" fontWeight={600}>
        {number} · {title}
      </Text>
      <Text color="faint">{site}</Text>
      <Text mt="8px">
        {entries} entries by {people.join(', ')}; {counted(photos, 'photo')}, {counted(traces, 'trace')};{' '}
        {sealed ? 'signed and sealed' : 'not signed'}
      </Text>
      <Note>
        {key
          ? `Exported with the key ${key.fingerprint}, ${key.ours ? 'of this installation' : 'of another installation: compare it with them'}`
          : 'No installation gave its word for where this record ends.'}
      </Note>
      <Box mt="14px" p="14px" bg={possible ? 'accentWash' : 'dangerWash'} borderRadius="4px" role="status">
        <MeetingWords meeting={meeting} />
        {obstacle && <Text fontWeight={600}>Not taken: {obstacle}.</Text>}
        {faults.map((one) => (
          <Text key={one} fontFamily="mono" fontSize="14px" overflowWrap="anywhere">
            {one}
          </Text>
        ))}
      </Box>
      <Flex gap="10px" mt="14px" wrap="wrap">
        {possible && changes && meeting.kind === 'extends' && (
          <Button onClick={() => void onTake('job')}>Continue the job with it</Button>
        )}
        {possible && meeting.kind === 'new' && !sealed && (
          <Button onClick={() => void onTake('job')}>Open, to go on working here</Button>
        )}
        {possible && meeting.kind === 'new' && (
          <Button variant={sealed ? 'solid' : 'outline'} onClick={() => void onTake('record')}>
            Open as a record to be read
          </Button>
        )}
        <Button variant="plain" onClick={() => void onLeave()}>
          Leave it
        </Button>
      </Flex>
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
          <Text fontWeight={600}>It continues the job that is here by {meeting.added.length} entries:</Text>
          <EntryLines lines={meeting.added} />
        </>
      )
    case 'fork':
      return (
        <>
          <Text fontWeight={600}>
            After entry {meeting.at} both went on, each in its own way. Neither is changed: decide with the
            other installation which one is the record, and enter what is missing there.
          </Text>
          <Flex gap="24px" mt="8px" wrap="wrap">
            <EntryLines title="Here" lines={meeting.here} />
            <EntryLines title="In the file" lines={meeting.there} />
          </Flex>
        </>
      )
  }
}
