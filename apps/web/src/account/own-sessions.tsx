import { Box, Button, Text } from '@chakra-ui/react'
import type { OwnSession } from '@plumb-mark/contract'
import { remove } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { ago } from '../ui/ago.js'
import { Row, Section } from '../ui/section.js'

/** Where this person is signed in; a lost tablet is signed out from here. */
export function OwnSessions() {
  const { value = [], reload } = useResource<OwnSession[]>('/api/session/all')
  const end = (id: string) => void remove(`/api/session/${id}`).then(reload)
  return (
    <Section title="Where you are signed in">
      {value.map(({ id, device, openedAt, here }) => (
        <Row key={id}>
          <Box flex="1">
            <Text>{device}</Text>
            <Note>since {ago(openedAt)}</Note>
          </Box>
          {here ? (
            <Text color="accent">this one</Text>
          ) : (
            <Button variant="outline" onClick={() => end(id)} aria-label={`End the session on ${device}`}>
              End it
            </Button>
          )}
        </Row>
      ))}
    </Section>
  )
}
