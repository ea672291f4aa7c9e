import { Box, Button, chakra } from '@chakra-ui/react'
import { useState } from 'react'
import { sayEvidence, sayWord, type Check, type Evidence, type JudgedCheck } from '@plumb-mark/core'
import { SmallMono, SmallPrint } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { ReasonChoice } from '../ui/reason-choice.js'
import { useSiteTime } from '../job/site-time.js'
import { useInspection } from '../job/inspection.js'
import { Photos } from './photo-picker.js'
import { Cluster } from '../ui/cluster.js'

/** Everything ever read here, latest first; nothing is deleted, what was wrong is struck out with its reason. */
export function History({
  judged: { check, history },
  writable,
}: {
  judged: JudgedCheck
  writable: boolean
}) {
  if (history.length === 0) return null
  return (
    <Box layerStyle="ruleAbove" pt="8px">
      <SmallPrint>Readings so far</SmallPrint>
      <ul aria-label="Readings so far">
        {[...history].reverse().map((evidence) => (
          <Row key={evidence.id} check={check} evidence={evidence} writable={writable} />
        ))}
      </ul>
    </Box>
  )
}

function Row({ check, evidence, writable }: { check: Check; evidence: Evidence; writable: boolean }) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const { body, by, at, struck } = evidence
  const [asking, setAsking] = useState(false)
  const { when } = useSiteTime()
  const strike = (reason: string) => {
    if (person && append(person, { kind: 'evidence-struck', body: { entryId: evidence.id, reason } }))
      setAsking(false)
  }
  return (
    <chakra.li py="3px">
      <Cluster>
        <SmallMono textDecoration={struck ? 'line-through' : 'none'}>
          {sayEvidence(check, evidence)}
        </SmallMono>
        <SmallPrint flex="1">
          {'instrument' in body && body.instrument ? `${body.instrument.name}, ` : ''}
          {'word' in body && body.word ? `${sayWord(body.word)}, ` : ''}
          {by.name}, {when(at)}
          {struck ? `; struck out by ${struck.by.name}: ${struck.reason}` : ''}
          {body.note ? `; ${body.note}` : ''}
        </SmallPrint>
        <Photos photos={body.photos} size="40px" />
        {writable && !struck && (
          <Button variant="plain" aria-expanded={asking} onClick={() => setAsking(!asking)}>
            Strike out
          </Button>
        )}
      </Cluster>
      {asking && !struck && (
        <ReasonChoice label="Why it is struck out" reasons={REASONS} verb="Strike out so" onTake={strike} />
      )}
    </chakra.li>
  )
}

/** Why something is struck out: a year later the reason is what is left of it. */
const REASONS = [
  'mistyped',
  'read at another place',
  'another instrument',
  'read too early',
  'not mine to answer',
]
