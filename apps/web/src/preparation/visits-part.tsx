import { Box, Button, Flex, Text } from '@chakra-ui/react'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import type { PlannedVisit } from '@plumb-mark/contract'
import { remove } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { VisitForm } from '../visits/visit-form.js'
import { dayWords, hourWords } from '../visits/when.js'
import { Faint, Mono, Strong } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** The visits of one job, earliest first, and a way to read them again. */
export function useVisits(jobId: string): {
  visits: PlannedVisit[] | undefined
  problem: string
  reload: () => Promise<void>
} {
  const { value, problem, reload } = useResource<PlannedVisit[]>('/api/visits')
  return { visits: value?.filter((visit) => visit.jobId === jobId), problem, reload }
}

export function VisitsPart({
  jobId,
  minutes,
  writable,
  visits,
  problem,
  reload,
}: { jobId: string; minutes: number; writable: boolean } & ReturnType<typeof useVisits>) {
  const [editing, setEditing] = useState<string>()
  const done = (kept: boolean) => {
    setEditing(undefined)
    if (kept) void reload()
  }
  return (
    <Box>
      {visits?.length === 0 && !editing && <Faint>No visit is booked yet.</Faint>}
      {problem && <Faint>The calendar cannot be reached just now.</Faint>}
      {visits?.map((visit) => (
        <Box layerStyle="ruleAbove" key={visit.id} py="8px">
          <Cluster gap="16px">
            <Strong w="150px">{dayWords(visit.start)}</Strong>
            <Mono>{hourWords(visit.start, visit.end)}</Mono>
            <Text flex="1" minW="180px">
              {visit.purpose}; {visit.people.map(({ name }) => name).join(', ')}
            </Text>
            {writable && (
              <>
                <Button
                  variant="plain"
                  onClick={() => setEditing(editing === visit.id ? undefined : visit.id)}
                >
                  Move
                </Button>
                <Button variant="plain" onClick={() => void remove(`/api/visits/${visit.id}`).then(reload)}>
                  Cancel it
                </Button>
              </>
            )}
          </Cluster>
          {editing === visit.id && <VisitForm visit={visit} jobId={jobId} minutes={minutes} onDone={done} />}
        </Box>
      ))}
      {editing === 'new' && <VisitForm visit={undefined} jobId={jobId} minutes={minutes} onDone={done} />}
      <Flex gap="8px" mt="8px">
        {writable && editing !== 'new' && (
          <Button variant="outline" onClick={() => setEditing('new')}>
            <Plus size={17} /> Visit
          </Button>
        )}
        {visits && visits.length > 0 && (
          <Button variant="plain" asChild>
            <a href={`/api/jobs/${jobId}/visits.ics`} download>
              iCalendar
            </a>
          </Button>
        )}
      </Flex>
    </Box>
  )
}
