import ical from 'ical-generator'
import type { PlannedVisit } from '@plumb-mark/contract'

/** Visits as iCalendar (RFC 5545), for any calendar program. */
export function calendarOf(name: string, visits: readonly PlannedVisit[]): string {
  const calendar = ical({ name, prodId: { company: 'Plumb Mark', product: 'visits', language: 'EN' } })
  for (const { id, start, end, purpose, people, job } of visits) {
    calendar.createEvent({
      id: `${id}@plumb-mark`,
      start: new Date(start),
      end: new Date(end),
      summary: `${job.number} ${purpose}`,
      location: job.site,
      description: `${job.title}\n${people.map((person) => person.name).join(', ')}`,
    })
  }
  return calendar.toString()
}
