/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { PlannedVisit } from '@plumb-mark/contract'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { VisitForm } from './visit-form.js'
import { VisitsView } from './visits-view.js'

const user = userEvent.setup()
const PEOPLE = [
  { id: 'o', name: 'Ottilie', role: 'inspector' },
  { id: 'b', name: 'Bram', role: 'installer' },
]
/** The Wednesday of next week, so that the week of the first visit is not the one of today. */
const DAY = (() => {
  const day = new Date()
  day.setDate(day.getDate() + 7 + ((3 - day.getDay() + 7) % 7))
  return day
})()
const at = (hour: number) => new Date(new Date(DAY).setHours(hour, 0, 0, 0)).toISOString()
const VISIT = {
  id: 'v1',
  jobId: 'j1',
  start: at(9),
  end: at(11),
  purpose: 'inspection',
  people: [{ id: 'o', name: 'Ottilie' }],
  job: { number: 'PM-1', title: 'Barn', site: 'Mill Lane' },
} as unknown as PlannedVisit

function calendar(visits: readonly PlannedVisit[]) {
  openJob([])
  serverSays({ 'GET /api/visits': visits, 'GET /api/due-again': [], 'GET /api/people': PEOPLE })
  onScreen(<VisitsView />)
}

describe('the calendar', () => {
  it('opens at the week of the next visit, and is turned week by week', async () => {
    calendar([VISIT])
    const card = await screen.findByRole('link', { name: /PM-1/ })
    expect(card).toHaveTextContent('09:00')
    expect(card).toHaveTextContent('Ottilie')
    expect(card).toHaveAttribute('href', '/jobs/j1/preparation')
    await user.click(screen.getByRole('button', { name: 'Week after' }))
    expect(screen.queryByRole('link', { name: /PM-1/ })).not.toBeInTheDocument()
    await user.click(screen.getByRole('button', { name: 'Week before' }))
    expect(screen.getByRole('link', { name: /PM-1/ })).toBeInTheDocument()
    await user.click(screen.getByRole('button', { name: 'This week' }))
    expect(screen.getByText(/· today$/)).toBeInTheDocument()
  })
  it('as a list says the day, who goes where and what for', async () => {
    calendar([VISIT, { ...VISIT, id: 'v2', start: at(13), end: at(14), purpose: 're-inspection' }])
    await user.click(await screen.findByRole('button', { name: 'As a list' }))
    expect(screen.getByText('inspection; Ottilie')).toBeInTheDocument()
    expect(screen.getByText('re-inspection; Ottilie')).toBeInTheDocument()
    expect(screen.getAllByText('Mill Lane')).toHaveLength(2)
  })
  it('asks for what is past only when that is wanted', async () => {
    calendar([])
    expect(await screen.findByText(/^No visit is planned/)).toBeInTheDocument()
    const calls = () =>
      asked.filter(({ address }) => address.startsWith('/api/visits')).map(({ address }) => address)
    expect(calls().every((address) => address.includes('from='))).toBe(true)
    await user.click(screen.getByRole('button', { name: 'Show past visits too' }))
    await screen.findByRole('button', { name: 'Only what is to come' })
    expect(calls()).toContain('/api/visits')
  })
})

describe('booking', () => {
  const book = (answers: object = {}) => {
    openJob([])
    serverSays({ 'GET /api/people': PEOPLE, ...answers })
    const done: boolean[] = []
    onScreen(<VisitForm visit={undefined} jobId="j1" minutes={100} onDone={(kept) => done.push(kept)} />)
    return done
  }
  const sent = () => asked.filter(({ method }) => method === 'PUT').map(({ body }) => body as typeof VISIT)
  it('wants somebody who goes; how long follows from the work, in quarters of an hour', async () => {
    const done = book()
    const save = screen.getByRole('button', { name: 'Book the visit' })
    expect(save).toBeDisabled()
    await user.click(await screen.findByLabelText('Ottilie, inspector'))
    await user.click(screen.getByLabelText('Bram, installer'))
    await user.click(screen.getByLabelText('Bram, installer'))
    await user.click(save)
    const [visit] = sent()
    expect(visit).toMatchObject({
      jobId: 'j1',
      people: [{ id: 'o', name: 'Ottilie' }],
      purpose: 'inspection',
    })
    expect((Date.parse(visit!.end) - Date.parse(visit!.start)) / 60_000).toBe(105)
    expect([0, 6]).not.toContain(new Date(visit!.start).getDay())
    expect(done).toEqual([true])
  })
  it('that the server refuses says who is elsewhere, and loses nothing', async () => {
    const everywhere = refusal(409, 'booked-twice', 'Ottilie is at PM-2 then')
    const done = book()
    const answers = { 'GET /api/people': PEOPLE }
    serverSays(answers)
    const fetchAs = globalThis.fetch
    globalThis.fetch = ((address: string, request: RequestInit = {}) =>
      request.method === 'PUT'
        ? Promise.resolve(everywhere.clone())
        : fetchAs(address, request)) as typeof fetch
    await user.click(await screen.findByLabelText('Ottilie, inspector'))
    await user.clear(screen.getByLabelText('What for'))
    await user.type(screen.getByLabelText('What for'), 'hand-over')
    await user.click(screen.getByRole('button', { name: 'Book the visit' }))
    expect(await screen.findByText('Ottilie is at PM-2 then')).toBeInTheDocument()
    expect(screen.getByLabelText('What for')).toHaveProperty('value', 'hand-over')
    expect(
      within(screen.getByRole('group', { name: 'Who goes' })).getByLabelText('Ottilie, inspector'),
    ).toBeChecked()
    expect(done).toEqual([])
  })
})
