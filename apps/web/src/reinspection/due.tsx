import { Box, Button, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { DueAgain as Due } from '@plumb-mark/contract'
import { useResource } from '../data/resource.js'
import { Note, SectionTitle } from '../ui/theme/text.js'
import { dayHere } from '../data/here-time.js'
import { Cluster } from '../ui/cluster.js'

const FIRST = 8

/** Which installations come round again, the earliest first. */
export function DueAgain() {
  const { value: data } = useResource<Due[]>('/api/due-again')
  const [all, setAll] = useState(false)
  if (!data || data.length === 0) return null
  const today = new Date().toISOString().slice(0, 10)
  return (
    <Box as="section" mt="26px" aria-label="Due again">
      <SectionTitle>Due again</SectionTitle>
      {(all ? data : data.slice(0, FIRST)).map(({ jobId, number, title, site, on, signedOn, months }) => (
        <Cluster
          layerStyle="ruleAbove"
          key={jobId}
          as="article"
          aria-label={`${number} ${title}`}
          gap="16px"
          py="10px"
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
        </Cluster>
      ))}
      {data.length > FIRST && (
        <Button variant="plain" onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `All ${data.length}`}
        </Button>
      )}
    </Box>
  )
}
