import { Button, Flex, Grid } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { Person, Visit } from '@plumb-mark/core'
import { put } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { Problem } from '../ui/problem.js'
import { TextField } from '../ui/text-field.js'
import { Tick } from '../ui/tick.js'
import { localMinute } from './when.js'
import { Cluster } from '../ui/cluster.js'

/** Books a visit, or moves one; the server refuses it when somebody would have to be in two places. */
export function VisitForm({
  visit,
  jobId,
  minutes,
  onDone,
}: {
  visit: Visit | undefined
  jobId: string
  minutes: number
  onDone: (kept: boolean) => void
}) {
  const people = usePeople()
  const first = nextMorning()
  const [draft, setDraft] = useState({
    start: localMinute(visit ? new Date(visit.start) : first),
    end: localMinute(
      visit
        ? new Date(visit.end)
        : new Date(first.getTime() + Math.max(30, Math.ceil(minutes / 15) * 15) * 60_000),
    ),
    people: visit?.people ?? [],
    purpose: visit?.purpose ?? 'inspection',
  })
  const [problem, setProblem] = useState('')
  const set = (part: Partial<typeof draft>) => (setDraft({ ...draft, ...part }), setProblem(''))
  const turn = ({ id, name }: Person) =>
    set({
      people: draft.people.some((one) => one.id === id)
        ? draft.people.filter((one) => one.id !== id)
        : [...draft.people, { id, name }],
    })
  const keep = async () => {
    try {
      await put(`/api/visits/${visit?.id ?? uuid()}`, {
        jobId,
        start: new Date(draft.start).toISOString(),
        end: new Date(draft.end).toISOString(),
        people: draft.people,
        purpose: draft.purpose,
      })
      onDone(true)
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <form onSubmit={(event) => (event.preventDefault(), void keep())} aria-label="Visit">
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }} gap="10px">
        <TextField
          label="From"
          type="datetime-local"
          required
          value={draft.start}
          onChange={(start) => set({ start })}
        />
        <TextField
          label="To"
          type="datetime-local"
          required
          value={draft.end}
          onChange={(end) => set({ end })}
        />
        <TextField label="What for" required value={draft.purpose} onChange={(purpose) => set({ purpose })} />
      </Grid>
      <Cluster gap="8px 18px" mt="8px" role="group" aria-label="Who goes">
        {people.map((person) => (
          <Tick
            key={person.id}
            label={`${person.name}, ${person.role}`}
            checked={draft.people.some(({ id }) => id === person.id)}
            onChange={() => turn(person)}
          />
        ))}
      </Cluster>
      <Problem mt="6px">{problem}</Problem>
      <Flex gap="8px" mt="10px">
        <Button type="submit" disabled={draft.people.length === 0}>
          {visit ? 'Save the visit' : 'Book the visit'}
        </Button>
        <Button variant="plain" onClick={() => onDone(false)}>
          Cancel
        </Button>
      </Flex>
    </form>
  )
}

export function usePeople(): Person[] {
  return useResource<Person[]>('/api/people').value ?? []
}

/** Eight in the morning of the next working day. */
function nextMorning(): Date {
  const day = new Date()
  do day.setDate(day.getDate() + 1)
  while (day.getDay() === 0 || day.getDay() === 6)
  day.setHours(8, 0, 0, 0)
  return day
}
