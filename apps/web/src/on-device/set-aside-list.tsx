import { Box } from '@chakra-ui/react'
import { useShallow } from 'zustand/react/shallow'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { useSetAside } from '../offline/set-aside.js'
import { SetAsideRow } from './set-aside-row.js'
import { Strong } from '../ui/theme/text.js'

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
      <Strong>
        {mine.length === 1 ? 'One entry was' : `${mine.length} entries were`} not taken by the server and set
        aside
      </Strong>
      {mine.map((one) => (
        <SetAsideRow key={one.id} aside={one} inspection={inspection} />
      ))}
    </Box>
  )
}
