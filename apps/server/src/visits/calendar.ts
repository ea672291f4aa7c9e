import ical, { ICalEventTransparency } from 'ical-generator'
import type { DueAgain, DueDefect, PlannedVisit } from '@plumb-mark/contract'

/** Visits, as whole days the open defects that are due, and as whole days the inspections that come round again, as iCalendar (RFC 5545), for any calendar program. */
export function calendarOf(
  name: string,
  visits: readonly PlannedVisit[],
  due: readonly DueAgain[] = [],
  defects: readonly DueDefect[] = [],
): string {
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
  for (const { jobId, on, number, title, site, signedOn } of due) {
    calendar.createEvent({
      id: `due-${jobId}@plumb-mark`,
      start: new Date(`${on}T12:00:00Z`),
      allDay: true,
      timezone: 'UTC',
      // Nobody is kept from anything by what is due some day.
      transparency: ICalEventTransparency.TRANSPARENT,
      summary: `${number} due again`,
      location: site,
      description: `${title}\nsigned on ${signedOn}`,
    })
  }
  for (const { id, jobId, number, site, title, place, due: on, responsible } of defects) {
    calendar.createEvent({
      id: `defect-${jobId}-${id}@plumb-mark`,
      start: new Date(`${on}T12:00:00Z`),
      allDay: true,
      timezone: 'UTC',
      transparency: ICalEventTransparency.TRANSPARENT,
      summary: `${number} to be put right: ${title}`,
      location: site,
      description: [place, responsible].filter(Boolean).join('\n'),
    })
  }
  return calendar.toString()
}
