import { Box, Button, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { addDays, addWeeks, format, isSameDay, isToday, startOfWeek } from 'date-fns'
import { ChevronLeft, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { PlannedVisit } from '@plumb-mark/contract'
import { hourWords } from './when.js'
import { Faint, Mono, Strong } from '../ui/theme/text.js'
import { IconButton } from '../ui/buttons.js'

/** A week at a time: who goes where on which day. */
export function WeekView({ visits }: { visits: readonly PlannedVisit[] }) {
  const [monday, setMonday] = useState(() => startOfWeek(firstOf(visits), { weekStartsOn: 1 }))
  const days = Array.from({ length: 7 }, (_, i) => addDays(monday, i))
  return (
    <Box mt="10px">
      <Flex align="center" gap="4px">
        <IconButton aria-label="Week before" onClick={() => setMonday(addWeeks(monday, -1))}>
          <ChevronLeft size={20} />
        </IconButton>
        <IconButton aria-label="Week after" onClick={() => setMonday(addWeeks(monday, 1))}>
          <ChevronRight size={20} />
        </IconButton>
        <Strong>
          {format(monday, 'd MMM')} to {format(days[6]!, 'd MMM yyyy')}
        </Strong>
        <Button variant="plain" onClick={() => setMonday(startOfWeek(new Date(), { weekStartsOn: 1 }))}>
          This week
        </Button>
      </Flex>
      <Grid
        templateColumns={{ base: '1fr', md: 'repeat(7, minmax(0, 1fr))' }}
        gap="1px"
        bg="hair"
        borderY="1px solid"
        borderColor="hair"
      >
        {days.map((day) => {
          const here = visits.filter(
            ({ start, end }) => isSameDay(day, start) || (new Date(start) < day && new Date(end) >= day),
          )
          return (
            <Box
              key={day.toISOString()}
              bg="paper"
              p="8px"
              minH={{ base: here.length ? '0' : '44px', md: '220px' }}
            >
              <Text fontSize="14px" fontWeight={600} color={isToday(day) ? 'accent' : 'text'}>
                {format(day, 'EEE d')}
                {isToday(day) && ' · today'}
              </Text>
              {here.map((visit) => (
                <Visit key={visit.id} visit={visit} />
              ))}
            </Box>
          )
        })}
      </Grid>
    </Box>
  )
}

/** The week of the first visit that is still to come, else this one. */
const firstOf = (visits: readonly PlannedVisit[]): Date => {
  const next = visits.find(({ end }) => new Date(end) >= new Date())
  return next ? new Date(next.start) : new Date()
}

const Card = chakra(Link, {
  base: {
    display: 'block',
    mt: '6px',
    p: '6px 8px',
    minH: '44px',
    bg: 'panel',
    borderLeft: '4px solid',
    borderColor: 'accent',
    fontSize: '13px',
    lineHeight: 1.25,
    overflowWrap: 'anywhere',
  },
})

const Visit = ({ visit: { start, end, job, jobId, purpose, people } }: { visit: PlannedVisit }) => (
  <Card to={`/jobs/${jobId}/preparation`}>
    <Mono>{hourWords(start, end)}</Mono>
    <b>{job.number}</b> {purpose}
    <Faint>{people.map(({ name }) => name).join(', ')}</Faint>
  </Card>
)
