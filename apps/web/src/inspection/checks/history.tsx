import { Box, Button, HStack, Text, chakra } from '@chakra-ui/react'
import { sayEvidence, sayWord, type Check, type Evidence, type JudgedCheck } from '@plumb-mark/core'
import { SmallPrint } from '../../look/text.js'
import { useSession } from '../../account/session.js'
import { useInspection } from '../../store/inspection.js'
import { Photos } from './photo-picker.js'

/** Everything ever read here, latest first; nothing is deleted, a mistyped reading is struck out. */
export function History({
  judged: { check, history },
  writable,
}: {
  judged: JudgedCheck
  writable: boolean
}) {
  if (history.length === 0) return null
  return (
    <Box borderTop="1px solid" borderColor="hair" pt="8px">
      <SmallPrint>Readings so far</SmallPrint>
      <chakra.ul listStyleType="none" aria-label="Readings so far">
        {[...history].reverse().map((evidence) => (
          <Row key={evidence.id} check={check} evidence={evidence} writable={writable} />
        ))}
      </chakra.ul>
    </Box>
  )
}

function Row({ check, evidence, writable }: { check: Check; evidence: Evidence; writable: boolean }) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const { body, by, at, struck } = evidence
  const strike = () =>
    person && append(person, { kind: 'evidence-struck', body: { entryId: evidence.id, reason: 'mistyped' } })
  return (
    <chakra.li py="3px">
      <HStack gap="10px" wrap="wrap">
        <Text fontFamily="mono" fontSize="15px" textDecoration={struck ? 'line-through' : 'none'}>
          {sayEvidence(check, evidence)}
        </Text>
        <SmallPrint flex="1">
          {'instrument' in body && body.instrument ? `${body.instrument.name}, ` : ''}
          {'word' in body && body.word ? `${sayWord(body.word)}, ` : ''}
          {by.name}, {at.slice(0, 16).replace('T', ' ')}
          {struck ? `; struck out by ${struck.by.name}: ${struck.reason}` : ''}
          {body.note ? `; ${body.note}` : ''}
        </SmallPrint>
        <Photos photos={body.photos} size="40px" />
        {writable && !struck && (
          <Button variant="plain" onClick={strike}>
            Strike out
          </Button>
        )}
      </HStack>
    </chakra.li>
  )
}
