import { Button, Flex, Text } from '@chakra-ui/react'
import type { Person } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useResource } from '../data/resource.js'
import { useInspection } from '../job/inspection.js'
import { Cluster } from '../ui/cluster.js'

const MAY_BE_GIVEN: ReadonlySet<string> = new Set(['installer', 'inspector'])

/** Installers see only the jobs that are shared with them; where the office wants it, inspectors enter only into those that they are assigned to. */
export function SharePart({ writable }: { writable: boolean }) {
  const shared = useInspection(({ inspection }) => inspection!.state.sharedWith)
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const { value: people = [] } = useResource<Person[]>('/api/people')
  const others = people.filter(
    ({ id, role }) => MAY_BE_GIVEN.has(role) && !shared.some((one) => one.id === id),
  )
  const isShared = shared.some(({ role }) => role === 'installer')
  return (
    <Cluster>
      {!isShared && <Text>No installer sees this job.</Text>}
      {shared.map(({ id, name, role }) => (
        <Flex key={id} gap="8px" align="center">
          <Text>
            {name}, {role}
          </Text>
          {writable && (
            <Button
              variant="ghost"
              aria-label={`${role === 'installer' ? 'Stop sharing with' : 'Take off the job:'} ${name}`}
              onClick={() => person && append(person, { kind: 'unshared', body: { personId: id } })}
            >
              {role === 'installer' ? 'Stop sharing' : 'Take off the job'}
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
            {role === 'installer' ? `Share with ${name}` : `Assign ${name}`}
          </Button>
        ))}
    </Cluster>
  )
}
