import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { DueAgain as Due } from '@plumb-mark/contract'
import { useResource } from '../data/resource.js'
import { Note } from '../ui/theme/text.js'
import { dayHere } from '../data/here-time.js'

const FIRST = 8

/** Which installations come round again, the earliest first. */
export function DueAgain() {
  const { value: data } = useResource<Due[]>('/api/due-again')
  const [all, setAll] = useState(false)
  if (!data || data.length === 0) return null
  const today = new Date().toISOString().slice(0, 10)
  return (
    <Box as="section" mt="26px" aria-label="Due again">
      <Text as="h2" fontFamily="heading" fontSize="24px" fontWeight={600}>
        Due again
      </Text>
      {(all ? data : data.slice(0, FIRST)).map(({ jobId, number, title, site, on, signedOn, months }) => (
        <Flex
          key={jobId}
          as="article"
          aria-label={`${number} ${title}`}
          gap="16px"
          py="10px"
          borderTop="1px solid"
          borderColor="hair"
          wrap="wrap"
        >
          <Text w="160px" fontWeight={600} flexShrink={0} color={on < today ? 'danger' : 'text'}>
            {dayHere(`${on}T12:00:00Z`)}
            {on < today ? ', overdue' : ''}
          </Text>
          <Box flex="1" minW="240px">
            <Link to={`/jobs/${jobId}/sign-off`}>
              <b>{number}</b> {title}
            </Link>
            <Note>
              {site}; signed {dayHere(`${signedOn}T12:00:00Z`)}, every {months} months
            </Note>
          </Box>
          <Button asChild variant="outline">
            <Link to={`/jobs/new?again=${jobId}`}>Open the next one</Link>
          </Button>
        </Flex>
      ))}
      {data.length > FIRST && (
        <Button variant="plain" onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `All ${data.length}`}
        </Button>
      )}
    </Box>
  )
}
