import { Button, Flex, Text } from '@chakra-ui/react'
import type { Person } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useResource } from '../data/resource.js'
import { useInspection } from '../job/inspection.js'

/** Installers see only the jobs that are shared with them. */
export function SharePart({ writable }: { writable: boolean }) {
  const shared = useInspection(({ inspection }) => inspection!.state.sharedWith)
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const { value: installers = [] } = useResource<Person[]>('/api/people/installers')
  const others = installers.filter(({ id }) => !shared.some((one) => one.id === id))
  return (
    <Flex gap="12px" align="center" wrap="wrap">
      {shared.length === 0 && <Text>No installer sees this job.</Text>}
      {shared.map(({ id, name }) => (
        <Flex key={id} gap="8px" align="center">
          <Text>{name}</Text>
          {writable && (
            <Button
              variant="ghost"
              aria-label={`Stop sharing with ${name}`}
              onClick={() => person && append(person, { kind: 'unshared', body: { personId: id } })}
            >
              Stop sharing
            </Button>
          )}
        </Flex>
      ))}
      {writable &&
        others.map(({ id, name, role }) => (
          <Button
            key={id}
            variant="outline"
            onClick={() => person && append(person, { kind: 'shared', body: { person: { id, name, role } } })}
          >
            Share with {name}
          </Button>
        ))}
    </Flex>
  )
}
