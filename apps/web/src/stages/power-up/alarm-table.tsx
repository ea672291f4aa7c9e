import { Box, Button, Table, Text } from '@chakra-ui/react'
import { ScanLine } from 'lucide-react'
import { useState } from 'react'
import { NO_ALARM, type AnswerOf, type JudgedCheck } from '@plumb-mark/core'
import { useDeviceAnswer } from '../../devices/use-device-answer.js'
import { Note, Unproven } from '../../ui/theme/text.js'
import { TextField } from '../../ui/text-field.js'
import { useAnswerOf } from '../answer-of.js'
import { UnitHeading } from '../unit-heading.js'
import { useAnswering } from '../use-answering.js'
import { Cluster } from '../../ui/cluster.js'
import { Scanner } from '../../ui/lazy-scanner.js'

/** The maker's table of alarm codes: typed, scanned or read off the device, and what is to be done with the one that is shown. */
export function AlarmTable({ judged }: { judged: JudgedCheck }) {
  const answer = useAnswerOf(judged) as AnswerOf<'choice'> | undefined
  const keep = useAnswering()
  const tell = useDeviceAnswer(judged)
  const [typed, setTyped] = useState('')
  const [scanning, setScanning] = useState(false)
  const { requirement, unit, title } = judged.check
  if (requirement.kind !== 'alarm-codes') return null
  const seen = typed.trim() || answer?.chosen
  const codes = requirement.codes.filter(({ id }) => !typed.trim() || id.startsWith(typed.trim()))
  const take = (code: string) => {
    if (code.trim()) keep?.(judged, { chosen: code.trim() })
    setTyped('')
  }
  const read = () => {
    const told = tell?.()
    if (told) keep?.(judged, told.answer, told.word)
  }
  return (
    <Box as="section" aria-label={`${title}, ${unit.label}`}>
      <UnitHeading judged={judged} />
      {keep && (
        <form onSubmit={(event) => (event.preventDefault(), take(typed))}>
          <Cluster alignItems="end" mb="10px">
            <Box w="130px">
              <TextField
                label="Code shown"
                value={typed}
                onChange={setTyped}
                autoComplete="off"
                fontFamily="mono"
              />
            </Box>
            <Button type="submit" disabled={!typed.trim()}>
              It shows this code
            </Button>
            <Button variant="outline" onClick={() => setScanning(true)} aria-label="Scan the code">
              <ScanLine size={20} />
            </Button>
            <Button variant="outline" onClick={() => take(NO_ALARM)}>
              No alarm
            </Button>
            {tell && (
              <Button variant="outline" onClick={read}>
                Read from {unit.label}
              </Button>
            )}
          </Cluster>
        </form>
      )}
      {answer && (
        <Text mb="8px">
          {answer.chosen === NO_ALARM ? 'No alarm is shown.' : `It shows ${answer.chosen}.`}
        </Text>
      )}
      <Box overflowX="auto">
        <Table.Root size="sm" bg="panel">
          <Table.Header>
            <Table.Row bg="sunk">
              {['Code', 'Meaning', 'Cause', 'Next'].map((head) => (
                <Table.ColumnHeader key={head} color="faint">
                  {head}
                </Table.ColumnHeader>
              ))}
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {codes.map(({ id, means, cause, next, mayStay }) => (
              <Table.Row key={id} bg={id === seen ? 'accentWash' : 'panel'}>
                <Table.Cell fontFamily="mono" fontSize="17px">
                  {id}
                </Table.Cell>
                <Table.Cell fontWeight={600}>{means}</Table.Cell>
                <Table.Cell>{cause ?? '–'}</Table.Cell>
                <Table.Cell>
                  {next}
                  {mayStay && <Note>may stay so</Note>}
                </Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </Box>
      {codes.length === 0 && <Unproven>The table of this maker has no such code.</Unproven>}
      {scanning && (
        <Scanner
          title="Code shown"
          onClose={() => setScanning(false)}
          onCode={(code) => {
            setScanning(false)
            take(code)
          }}
        />
      )}
    </Box>
  )
}
