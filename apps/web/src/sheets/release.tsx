import { Button, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { SheetInLibrary } from '@plumb-mark/contract'
import { mayRelease, type PersonId } from '@plumb-mark/core'
import { post } from '../data/api.js'
import { useReload } from '../data/resource.js'
import { useSession } from '../data/session.js'
import { Problem } from '../ui/problem.js'
import { Note } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** Who wrote a sheet and who looked at it after them; the second pair of eyes releases it here. */
export function Release({
  id,
  one: { writtenBy, releasedBy, notReleased },
}: {
  id: string
  one: SheetInLibrary
}) {
  const person = useSession((session) => session.person)
  const reload = useReload()
  const [problem, setProblem] = useState('')
  if (!writtenBy) return null
  if (!notReleased)
    return (
      <Note mt="6px">
        Written by {writtenBy.name}
        {releasedBy && `, released by ${releasedBy.name}`}
      </Note>
    )
  const answer = person && mayRelease(person, { writtenBy: writtenBy.id as PersonId, releasedBy: undefined })
  const release = () =>
    post(`/api/sheets/${id}/release`)
      .then(() => reload('/api/sheets'))
      .catch((fault: Error) => setProblem(fault.message))
  return (
    <Cluster role="note" mt="12px" px="14px" py="8px" bg="unprovenWash">
      <Text flex="1 1 260px">
        Not released: written by {writtenBy.name}, and looked at by nobody else.{' '}
        {answer === 'own-sheet' ? 'Another person releases it.' : 'No job is signed by it until then.'}
      </Text>
      {answer === 'may' && <Button onClick={() => void release()}>Release</Button>}
      <Problem>{problem}</Problem>
    </Cluster>
  )
}
