import { Box, Button } from '@chakra-ui/react'
import { Link } from 'react-router'
import { Note } from '../ui/theme/text.js'
import { ago } from '../ui/ago.js'
import { sizeWords } from '../ui/size-words.js'
import { letGo, type KeptJob } from '../offline/kept-jobs.js'
import { Row, Section } from '../ui/section.js'

/** The jobs that open without signal: how old, how large, and why they are here. */
export function JobsHere({ jobs }: { jobs: readonly KeptJob[] }) {
  return (
    <Section title="Opens without signal">
      {jobs.length === 0 && <Note mt="8px">No job yet. Take some along below, or open one.</Note>}
      {jobs.map(({ id, number, title, fetchedAt, chosen, bytes }) => (
        <Row key={id}>
          <Box flex="1" minW="220px">
            <Link to={`/jobs/${id}/walk`}>
              {number} · {title}
            </Link>
            <Note>
              fetched {ago(fetchedAt)}, {sizeWords(bytes)}, {chosen ? 'taken along' : 'opened lately'}
            </Note>
          </Box>
          <Button variant="plain" onClick={() => void letGo(id)} aria-label={`Let go ${number}`}>
            Let go
          </Button>
        </Row>
      ))}
    </Section>
  )
}
