import { Box, Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import { SmallPrint } from '../ui/theme/text.js'
import { entryWords } from './entry-words.js'
import { Row, Section } from '../ui/section.js'
import type { OnDevice } from '../offline/use-on-device.js'
import { whenHere } from '../data/here-time.js'

/** What the server did not take, in all jobs; it is mended in its job, where the checks are. */
export function SetAsideHere({ here: { aside, jobs } }: { here: OnDevice }) {
  if (aside.length === 0) return null
  return (
    <Section title="Set aside">
      {aside.map(({ id, jobId, at, entries, reason }) => (
        <Row key={id}>
          <Box flex="1" minW="220px">
            <Text>{entries.map((entry) => entryWords(entry)).join('; ')}</Text>
            <SmallPrint>
              {whenHere(at)}: {reason}
            </SmallPrint>
          </Box>
          <Link to={`/jobs/${jobId}/walk`}>
            Mend in {jobs.find((job) => job.id === jobId)?.number ?? 'its job'}
          </Link>
        </Row>
      ))}
    </Section>
  )
}
