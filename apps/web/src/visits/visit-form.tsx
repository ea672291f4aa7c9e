import { Button, Flex, Grid, Input, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { Person, Visit } from '@plumb-mark/core'
import { get, put } from '../http/api.js'
import { Field } from '../marks/field.js'
import { Tick } from '../marks/tick.js'
import { localMinute } from './when.js'

/** Books a visit, or moves one; the server refuses it when somebody would have to be in two places. */
export function VisitForm({ visit, jobId, minutes, onDone }: { visit: Visit | undefined; jobId: string; minutes: number; onDone: (kept: boolean) => void }) {
  const people = usePeople()
  const first = nextMorning()
  const [draft, setDraft] = useState({
    start: localMinute(visit ? new Date(visit.start) : first),
    end: localMinute(visit ? new Date(visit.end) : new Date(first.getTime() + Math.max(30, Math.ceil(minutes / 15) * 15) * 60_000)),
    people: visit?.people ?? [],
    purpose: visit?.purpose ?? 'inspection',
  })
  const [problem, setProblem] = useState('')
  const set = (part: Partial<typeof draft>) => (setDraft({ ...draft, ...part }), setProblem(''))
  const turn = ({ id, name }: Person) => set({ people: draft.people.some((one) => one.id === id) ? draft.people.filter((one) => one.id !== id) : [...draft.people, { id, name }] })
  const keep = async () => {
    try {
      await put(`/api/visits/${visit?.id ?? uuid()}`, { jobId, start: new Date(draft.start).toISOString(), end: new Date(draft.end).toISOString(), people: draft.people, purpose: draft.purpose })
      onDone(true)
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <form onSubmit={(event) => (event.preventDefault(), void keep())} aria-label="Visit">
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }} gap="10px">
        <Field label="From">{(ids) => <Input {...ids} type="datetime-local" required value={draft.start} onChange={(event) => set({ start: event.target.value })} />}</Field>
        <Field label="To">{(ids) => <Input {...ids} type="datetime-local" required value={draft.end} onChange={(event) => set({ end: event.target.value })} />}</Field>
        <Field label="What for">{(ids) => <Input {...ids} required value={draft.purpose} onChange={(event) => set({ purpose: event.target.value })} />}</Field>
      </Grid>
      <Flex gap="8px 18px" mt="8px" wrap="wrap" role="group" aria-label="Who goes">
        {people.map((person) => (
          <Tick key={person.id} label={`${person.name}, ${person.role}`} checked={draft.people.some(({ id }) => id === person.id)} onChange={() => turn(person)} />
        ))}
      </Flex>
      {problem && (
        <Text role="alert" color="oxide" mt="6px">
          {problem}
        </Text>
      )}
      <Flex gap="8px" mt="10px">
        <Button type="submit" disabled={draft.people.length === 0}>
          {visit ? 'Keep the visit' : 'Book the visit'}
        </Button>
        <Button variant="plain" onClick={() => onDone(false)}>
          Cancel
        </Button>
      </Flex>
    </form>
  )
}

export function usePeople(): Person[] {
  const [people, setPeople] = useState<Person[]>([])
  useEffect(() => void get<Person[]>('/api/people').then(setPeople, () => setPeople([])), [])
  return people
}

/** Eight in the morning of the next working day. */
function nextMorning(): Date {
  const day = new Date()
  do day.setDate(day.getDate() + 1)
  while (day.getDay() === 0 || day.getDay() === 6)
  day.setHours(8, 0, 0, 0)
  return day
}
