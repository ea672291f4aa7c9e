import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { entryRow, type Inspection, type NewEntry } from '@plumb-mark/core'
import { useSession } from '../account/session.js'
import { SmallPrint } from '../look/text.js'
import { useInspection } from '../store/inspection.js'
import { useSetAside, type SetAside } from '../store/set-aside.js'

/** What this person entered in the open job and the server did not take: nothing of it is dropped until somebody says so. */
export function SetAsideList() {
  const jobId = useInspection((state) => state.jobId)
  const inspection = useInspection((state) => state.inspection)
  const person = useSession((session) => session.person)
  const mine = useSetAside(
    useShallow(({ list }) => list.filter((one) => one.jobId === jobId && one.by === person?.id)),
  )
  if (mine.length === 0 || !inspection) return null
  return (
    <Box as="section" aria-label="Set aside" bg="unprovenWash" px="18px" py="10px">
      <Text fontWeight={600}>
        {mine.length === 1 ? 'One entry was' : `${mine.length} entries were`} not taken by the server and set
        aside
      </Text>
      {mine.map((one) => (
        <Row key={one.entries[0]?.id} aside={one} inspection={inspection} />
      ))}
    </Box>
  )
}

function Row({ aside, inspection }: { aside: SetAside; inspection: Inspection }) {
  const take = useSetAside((state) => state.take)
  const sendAgain = useInspection((state) => state.sendAgain)
  const [sure, setSure] = useState(false)
  return (
    <Flex gap="10px" align="center" wrap="wrap" borderTop="1px solid" borderColor="hair" py="6px">
      <Box flex="1" minW="220px">
        <Text>{aside.entries.map((entry) => wordsFor(entry, inspection)).join('; ')}</Text>
        <SmallPrint>
          {new Date(aside.at).toLocaleString()}: {aside.reason}
        </SmallPrint>
      </Box>
      <Button variant="outline" onClick={() => sendAgain(aside)}>
        Send again
      </Button>
      <Button variant="plain" onClick={() => (sure ? take(aside) : setSure(true))}>
        {sure ? 'Discard for good' : 'Discard'}
      </Button>
    </Flex>
  )
}

/** What an entry says, as far as the job knows what it is about. */
function wordsFor({ kind, body }: NewEntry, { checks }: Inspection): string {
  const says = entryRow(kind)?.says ?? kind
  const point = 'point' in body ? (body as { point: string }).point : undefined
  const title = checks.find(({ check }) => check.point === point)?.check.title
  const typed = 'typed' in body ? ` ${(body as { typed: string }).typed}` : ''
  return `${says}${typed}${title ? `, ${title}` : ''}`
}
