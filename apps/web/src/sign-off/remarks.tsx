import { Box, Button, Flex, Stack, Text, Textarea, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import { remarkedOn, type Inspection, type JobState } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { AddRemark } from '../job/add-remark.js'
import { checkAddress } from '../job/check-in-address.js'
import { useInspection } from '../job/inspection.js'
import { useRemarkDrafts, type RemarkDraft } from '../job/remark-drafts.js'
import { useSiteTime } from '../job/site-time.js'
import { useMay } from '../job/use-writable.js'
import { Field } from '../ui/field.js'
import { Note, PartHeading, Unproven } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

type Remark = JobState['remarks'][number]

const Row = chakra('li', { base: { borderBottom: '1px solid', borderColor: 'hair', py: '10px' } })
const NONE: readonly RemarkDraft[] = []

/** What the reviewer wants answered: gathered and sent back by whoever signs, answered one by one by whoever inspected. */
export function Remarks({ inspection }: { inspection: Inspection }) {
  const mayReturn = useMay('returned')
  const { remarks } = inspection.state
  if (remarks.length === 0 && !mayReturn) return null
  return (
    <Box mt="26px" as="section" aria-label="Remarks">
      <PartHeading>Remarks</PartHeading>
      {mayReturn && <Returning />}
      <ul>
        {remarks.map((remark) => (
          <RemarkRow key={remark.id} remark={remark} inspection={inspection} />
        ))}
      </ul>
    </Box>
  )
}

function RemarkRow({ remark, inspection }: { remark: Remark; inspection: Inspection }) {
  const { when } = useSiteTime()
  const mayAnswer = useMay('remark-answered')
  const { text, by, at, answered } = remark
  return (
    <Row aria-label={text}>
      <Text>{text}</Text>
      <Cluster alignItems="baseline">
        <About remark={remark} inspection={inspection} />
        <Note>
          {by.name}, {when(at)}
        </Note>
      </Cluster>
      {answered ? (
        <Text mt="4px">
          {answered.text}{' '}
          <Note as="span">
            {answered.by.name}, {when(answered.at)}
          </Note>
        </Text>
      ) : mayAnswer ? (
        <Answer remark={remark} />
      ) : (
        <Unproven>Not answered yet</Unproven>
      )}
    </Row>
  )
}

function About({ remark, inspection }: { remark: Remark; inspection: Inspection }) {
  const jobId = useInspection((state) => state.jobId)!
  const { check, defect } = remarkedOn(remark, inspection)
  if (check)
    return (
      <Link to={checkAddress(jobId, check.stage, check.id)}>
        {check.title}, {check.place}
      </Link>
    )
  return defect ? (
    <Link to={`/jobs/${jobId}/defects`}>
      {defect.title}, {defect.place}
    </Link>
  ) : null
}

function Answer({ remark: { id } }: { remark: Remark }) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const [answer, setAnswer] = useState('')
  const send = () =>
    person && append(person, { kind: 'remark-answered', body: { remarkId: id, answer: answer.trim() } })
  return (
    <Cluster alignItems="flex-end" mt="6px">
      <Box flex="1 1 320px">
        <Field label="Answer">
          {(ids) => (
            <Textarea {...ids} rows={2} value={answer} onChange={({ target }) => setAnswer(target.value)} />
          )}
        </Field>
      </Box>
      <Button disabled={answer.trim() === ''} onClick={send}>
        Answer
      </Button>
    </Cluster>
  )
}

/** What was noted while reading, and the touch by which it goes back. */
function Returning() {
  const jobId = useInspection((state) => state.jobId)!
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const drafts = useRemarkDrafts(({ byJob }) => byJob[jobId]) ?? NONE
  const { remove, clear } = useRemarkDrafts.getState()
  const send = () => {
    const remarks = drafts.map(({ about: _, ...remark }) => remark)
    if (person && append(person, { kind: 'returned', body: { remarks } })) clear(jobId)
  }
  return (
    <Stack mb="10px">
      <Note>
        Open a check or a defect and press Remark, or note one on the job as a whole. Nothing is signed until
        each is answered.
      </Note>
      <ul>
        {drafts.map(({ id, text, about }) => (
          <Row key={id}>
            <Flex gap="10px" align="center">
              <Box flex="1">
                <Text>{text}</Text>
                <Note>{about}</Note>
              </Box>
              <Button variant="plain" onClick={() => remove(jobId, id)}>
                Discard
              </Button>
            </Flex>
          </Row>
        ))}
      </ul>
      <Cluster alignItems="flex-start">
        {drafts.length > 0 && (
          <Button onClick={send}>
            Return the job with {drafts.length} {drafts.length === 1 ? 'remark' : 'remarks'}
          </Button>
        )}
        <Box flex="1 1 240px">
          <AddRemark about="The job" />
        </Box>
      </Cluster>
    </Stack>
  )
}
