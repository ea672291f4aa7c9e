import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { PlannedVisit } from '@plumb-mark/contract'
import { Mono, Note, Small, Strong } from '../ui/theme/text.js'
import { Page } from '../layout/page.js'
import { RowsComing } from '../ui/rows-coming.js'
import { useResource } from '../data/resource.js'
import { DueAgain } from '../reinspection/due.js'
import { WeekView } from './week-view.js'
import { dayWords, hourWords } from './when.js'

/** The calendar of all jobs: day by day, who goes where. */
export function VisitsView() {
  const [past, setPast] = useState(false)
  const [week, setWeek] = useState(true)
  const { value: visits, problem } = useResource<PlannedVisit[]>(
    `/api/visits${past ? '' : `?from=${new Date(new Date().setHours(0, 0, 0, 0)).toISOString()}`}`,
  )
  const days = [...new Set(visits?.map(({ start }) => dayWords(start)))]
  return (
    <Page
      title="Visits"
      width="900px"
      problem={problem}
      actions={
        <>
          <Button variant="plain" aria-pressed={week} onClick={() => setWeek(!week)}>
            {week ? 'As a list' : 'By week'}
          </Button>
          <Button variant="plain" aria-pressed={past} onClick={() => setPast(!past)}>
            {past ? 'Only what is to come' : 'Show past visits too'}
          </Button>
          <Button variant="outline" asChild>
            <a href="/api/visits.ics" download>
              iCalendar
            </a>
          </Button>
        </>
      }
    >
      {!visits && !problem && <RowsComing height="72px" />}
      {visits?.length === 0 && (
        <Text mt="16px">No visit is planned. Book one in the preparation of a job.</Text>
      )}
      {week && visits && visits.length > 0 && <WeekView key={String(past)} visits={visits} />}
      {(week ? [] : days).map((day) => (
        <Flex
          layerStyle="ruleAbove"
          key={day}
          direction={{ base: 'column', md: 'row' }}
          py="14px"
          gap={{ base: '6px', md: '24px' }}
        >
          <Strong w="160px" flexShrink={0}>
            {day}
          </Strong>
          <Box flex="1">
            {visits!
              .filter(({ start }) => dayWords(start) === day)
              .map(({ id, start, end, purpose, people, job, jobId }) => (
                <Flex key={id} gap="16px" pb="10px">
                  <Mono w="112px" flexShrink={0}>
                    {hourWords(start, end)}
                  </Mono>
                  <Box>
                    <Link to={`/jobs/${jobId}/preparation`}>
                      <b>{job.number}</b> {job.title}
                    </Link>
                    <Small>
                      {purpose}; {people.map(({ name }) => name).join(', ')}
                    </Small>
                    <Note>{job.site}</Note>
                  </Box>
                </Flex>
              ))}
          </Box>
        </Flex>
      ))}
      <DueAgain />
    </Page>
  )
}
