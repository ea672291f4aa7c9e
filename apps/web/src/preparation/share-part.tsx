import { Button, Flex, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { Person } from '@plumb-mark/core'
import { useSession } from '../account/session.js'
import { get } from '../http/api.js'
import { useInspection } from '../store/inspection.js'

/** Installers see only the jobs that are shared with them. */
export function SharePart({ writable }: { writable: boolean }) {
  const shared = useInspection(({ inspection }) => inspection!.state.sharedWith)
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const [installers, setInstallers] = useState<Person[]>([])
  useEffect(() => void get<Person[]>('/api/people/installers').then(setInstallers, () => setInstallers([])), [])
  const others = installers.filter(({ id }) => !shared.some((one) => one.id === id))
  return (
    <Flex gap="12px" align="center" wrap="wrap">
      <Text>{shared.length === 0 ? 'No installer sees this job yet.' : shared.map(({ name }) => name).join(', ')}</Text>
      {writable &&
        others.map(({ id, name, role }) => (
          <Button key={id} variant="outline" onClick={() => person && append(person, { kind: 'shared', body: { person: { id, name, role } } })}>
            Share with {name}
          </Button>
        ))}
    </Flex>
  )
}
