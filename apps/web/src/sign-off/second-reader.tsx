import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { secondReadingOpen, type Inspection, type Person } from '@plumb-mark/core'
import { useResource } from '../data/resource.js'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { useSiteTime } from '../job/site-time.js'
import { useMay } from '../job/use-writable.js'
import { ChoiceField, type Option } from '../ui/choice-field.js'
import { Note, PartHeading } from '../ui/theme/text.js'

const NOBODY = 'nobody'
const STATEMENT = 'I have read this record as it stands.'

/** Another person who reads the record before it is sealed; what is entered after that is read again. */
export function SecondReader({ inspection: { state } }: { inspection: Inspection }) {
  const mayAsk = useMay('second-reader-asked')
  const { secondReader, seal } = state
  const { when } = useSiteTime()
  if (!secondReader && (seal || !mayAsk)) return null
  return (
    <Box mt="26px" as="section" aria-label="Second reader">
      <PartHeading>Second reader</PartHeading>
      {secondReader && (
        <Text>
          {secondReader.person.name},{' '}
          {secondReadingOpen(state) || !secondReader.read
            ? 'to read the record before it is signed'
            : `read on ${when(secondReader.read.at)}: ${secondReader.read.body.statement}`}
        </Text>
      )}
      <Reading state={state} />
      {mayAsk && <Asking asked={secondReader?.person} />}
    </Box>
  )
}

function Reading({ state }: Pick<Inspection, 'state'>) {
  const append = useInspection((store) => store.append)
  const sync = useInspection((store) => store.sync)
  const person = useSession((session) => session.person)
  const mayRead = useMay('second-read')
  const { secondReader, head } = state
  if (!mayRead || secondReader?.person.id !== person?.id || !secondReadingOpen(state)) return null
  const read = () =>
    append(person!, { kind: 'second-read', body: { statement: STATEMENT, readHead: head?.hash ?? '' } })
  return sync === 'kept' ? (
    <Button mt="8px" onClick={read}>
      I have read this record as it stands
    </Button>
  ) : (
    <Note>Reading waits until everything on this device has been kept.</Note>
  )
}

function Asking({ asked }: { asked: Person | undefined }) {
  const append = useInspection((store) => store.append)
  const me = useSession((session) => session.person)
  const { value: people = [] } = useResource<Person[]>('/api/people')
  const others = people.filter(
    ({ id, role }) => (role === 'inspector' || role === 'reviewer') && id !== me?.id && id !== asked?.id,
  )
  const ask = (id: string) => {
    const found = others.find((one) => one.id === id)
    if (!me || (!found && id !== NOBODY)) return
    const person = found && { id: found.id, name: found.name, role: found.role }
    append(me, { kind: 'second-reader-asked', body: { ...(person && { person }) } })
  }
  if (others.length === 0 && !asked) return <Note>Nobody else here inspects or reviews.</Note>
  return (
    <Flex maxW="360px" mt="6px">
      <ChoiceField
        label={asked ? 'Ask somebody else' : 'Ask somebody to read the record first'}
        value=""
        options={[
          ['', 'choose'],
          ...others.map(({ id, name, role }): Option => [id, `${name}, ${role}`]),
          ...(asked ? [[NOBODY, 'nobody, after all'] as const] : []),
        ]}
        onChange={ask}
      />
    </Flex>
  )
}
