import { Box, Button, Progress, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { photosShown } from '@plumb-mark/core'
import { Note } from '../ui/theme/text.js'
import { sizeWords } from '../ui/size-words.js'
import { useInspection } from '../job/inspection.js'
import { forgetPhotos, usePhotoSending } from '../offline/photos.js'
import { sendAllNow } from '../job/send-others.js'
import { Row, Section } from '../ui/section.js'
import { waitingByJob, type OnDevice } from '../offline/use-on-device.js'

/** What the server does not have yet, by job, and how far it is. */
export function WaitingHere({ here: { batches, photos, jobs, othersWait } }: { here: OnDevice }) {
  const [sending, setSending] = useState(false)
  const now = usePhotoSending((state) => state.now)
  const waits = waitingByJob(batches)
  const shown = new Set(batches.flatMap(({ entries }) => entries.flatMap(photosShown)).map(({ id }) => id))
  const loose = photos.filter(({ id }) => !shown.has(id))
  const nameOf = (id: string) =>
    jobs.find((job) => job.id === id)?.title ?? 'a job that is not on this device'
  const send = async () => {
    setSending(true)
    await Promise.all([sendAllNow(), useInspection.getState().flush()]).finally(() => setSending(false))
  }
  return (
    <Section
      title={waits.size === 0 ? 'Nothing waits to be sent' : 'Waits to be sent'}
      actions={
        waits.size > 0 && (
          <Button onClick={() => void send()} loading={sending} loadingText="Sending">
            Send now
          </Button>
        )
      }
    >
      {waits.size === 0 && <Note mt="8px">Everything you entered on this device is kept at the server.</Note>}
      {[...waits].map(([jobId, count]) => {
        const pictures = photos.filter((photo) => photo.jobId === jobId && shown.has(photo.id))
        const bytes = pictures.reduce((sum, photo) => sum + photo.bytes.length, 0)
        return (
          <Row key={jobId}>
            <Box flex="1" minW="220px">
              <Link to={`/jobs/${jobId}/walk`}>{nameOf(jobId)}</Link>
              <Note>
                {count} {count === 1 ? 'entry' : 'entries'}
                {pictures.length > 0 &&
                  `, ${pictures.length} ${pictures.length === 1 ? 'photo' : 'photos'} (${sizeWords(bytes)})`}
              </Note>
            </Box>
            {now && pictures.some(({ id }) => id === now.id) && (
              <Progress.Root value={now.part * 100} w="160px" aria-label="The photo that is being sent">
                <Progress.Track>
                  <Progress.Range />
                </Progress.Track>
              </Progress.Root>
            )}
          </Row>
        )
      })}
      {loose.length > 0 && (
        <Row>
          <Text flex="1">
            {loose.length === 1 ? 'One photo was' : `${loose.length} photos were`} taken and shown by no entry
            ({sizeWords(loose.reduce((sum, photo) => sum + photo.bytes.length, 0))}). They are not sent.
          </Text>
          <Button variant="plain" onClick={() => void forgetPhotos(loose.map(({ id }) => id))}>
            Discard
          </Button>
        </Row>
      )}
      {othersWait > 0 && (
        <Note mt="8px">
          {othersWait} more {othersWait === 1 ? 'entry waits' : 'entries wait'} for somebody else who uses
          this device: sent when they sign in here.
        </Note>
      )}
    </Section>
  )
}
