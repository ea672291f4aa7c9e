import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import type { PlannedVisit } from '@plumb-mark/contract'
import { Frame } from '../frame/frame.js'
import { get } from '../http/api.js'
import { dayWords, hourWords } from './when.js'

/** The calendar of all jobs: day by day, who goes where. */
export function VisitsView() {
  const [visits, setVisits] = useState<PlannedVisit[]>()
  const [past, setPast] = useState(false)
  const [problem, setProblem] = useState('')
  useEffect(() => {
    get<PlannedVisit[]>(`/api/visits${past ? '' : `?from=${new Date(new Date().setHours(0, 0, 0, 0)).toISOString()}`}`).then(setVisits, (fault: Error) => setProblem(fault.message))
  }, [past])
  const days = [...new Set(visits?.map(({ start }) => dayWords(start)))]
  return (
    <Frame>
      <Box maxW="900px" mx="auto" px={{ base: '16px', md: '24px' }} py="28px">
        <Flex align="center" gap="8px" wrap="wrap">
          <Text as="h1" fontFamily="heading" fontWeight={600} fontSize="38px" lineHeight={1.1} flex="1">
            Visits
          </Text>
          <Button variant="plain" aria-pressed={past} onClick={() => setPast(!past)}>
            {past ? 'Only what is to come' : 'Show past visits too'}
          </Button>
          <Button variant="outline" asChild>
            <a href="/api/visits.ics" download>
              iCalendar
            </a>
          </Button>
        </Flex>
        {problem && (
          <Text role="alert" color="oxide" mt="10px">
            {problem}
          </Text>
        )}
        {visits?.length === 0 && <Text mt="16px">No visit is planned. Book one in the preparation of a job.</Text>}
        {days.map((day) => (
          <Flex key={day} direction={{ base: 'column', md: 'row' }} borderTop="1px solid" borderColor="hair" py="14px" gap={{ base: '6px', md: '24px' }}>
            <Text w="160px" fontWeight={600} flexShrink={0}>
              {day}
            </Text>
            <Box flex="1">
              {visits!
                .filter(({ start }) => dayWords(start) === day)
                .map(({ id, start, end, purpose, people, job, jobId }) => (
                  <Flex key={id} gap="16px" pb="10px">
                    <Text fontFamily="mono" w="112px" flexShrink={0}>
                      {hourWords(start, end)}
                    </Text>
                    <Box>
                      <Link to={`/jobs/${jobId}/preparation`}>
                        <b>{job.number}</b> {job.title}
                      </Link>
                      <Text fontSize="14px">
                        {purpose}; {people.map(({ name }) => name).join(', ')}
                      </Text>
                      <Text fontSize="14px" color="faint">
                        {job.site}
                      </Text>
                    </Box>
                  </Flex>
                ))}
            </Box>
          </Flex>
        ))}
      </Box>
    </Frame>
  )
}
