import type { PlannedVisit } from '@plumb-mark/contract'
import { calendarOf } from './calendar.js'

const visit = (more: Partial<PlannedVisit> = {}): PlannedVisit =>
  ({
    id: 'v1',
    jobId: 'j',
    start: '2027-01-11T08:00:00Z',
    end: '2027-01-11T10:30:00Z',
    purpose: 'AC side',
    people: [
      { id: 'a', name: 'Ada' },
      { id: 'b', name: 'Ben' },
    ],
    job: { number: 'PM-1', title: 'Barn; east', site: 'Mill Lane, 4' },
    ...more,
  }) as PlannedVisit
/** The lines of the file as a calendar program puts them together again. */
const lines = (text: string) => text.replace(/\r\n[ \t]/g, '').split('\r\n')

it('a visit is one event under an id of its own, in universal time', () => {
  expect(lines(calendarOf('Visits', [visit()]))).toEqual(
    expect.arrayContaining([
      'BEGIN:VCALENDAR',
      'BEGIN:VEVENT',
      'UID:v1@plumb-mark',
      'DTSTART:20270111T080000Z',
      'DTEND:20270111T103000Z',
      'SUMMARY:PM-1 AC side',
      'END:VEVENT',
      'END:VCALENDAR',
    ]),
  )
})
it('what is due again is a whole day that keeps nobody from anything', () => {
  const due = { jobId: 'j', number: 'PM-9', title: 'Barn', site: 'Mill Lane', customer: 'C' }
  const said = lines(
    calendarOf('Visits', [], [{ ...due, signedOn: '2026-01-11', on: '2030-01-11', months: 48 }]),
  )
  expect(said).toEqual(
    expect.arrayContaining([
      'UID:due-j@plumb-mark',
      'DTSTART;VALUE=DATE:20300111',
      'TRANSP:TRANSPARENT',
      'SUMMARY:PM-9 due again',
    ]),
  )
})
it('a defect is due on a whole day at its site, with whose it is', () => {
  const defect = {
    id: 'd',
    jobId: 'j',
    number: 'PM-9',
    site: 'Mill Lane',
    title: 'Torque',
    place: 'Inverter 1',
    due: '2026-12-04',
    responsible: 'Roof crew',
  }
  expect(lines(calendarOf('Visits', [], [], [defect]))).toEqual(
    expect.arrayContaining([
      'UID:defect-j-d@plumb-mark',
      'DTSTART;VALUE=DATE:20261204',
      'SUMMARY:PM-9 to be put right: Torque',
      'DESCRIPTION:Inverter 1\\nRoof crew',
    ]),
  )
})
it('what would end a value is escaped', () => {
  const said = lines(calendarOf('Visits', [visit()]))
  expect(said).toContain('LOCATION:Mill Lane\\, 4')
  expect(said.find((line) => line.startsWith('DESCRIPTION:'))).toBe('DESCRIPTION:Barn\\; east\\nAda\\, Ben')
})
it('no line is longer than the format allows, whatever the site is called', () => {
  const text = calendarOf('Visits', [
    visit({ job: { number: 'PM-1', title: 'T', site: 'Überlandstraße '.repeat(20) } as PlannedVisit['job'] }),
  ])
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
})
it('nothing planned is a calendar without events', () =>
  expect(calendarOf('Visits', [])).not.toContain('BEGIN:VEVENT'))
