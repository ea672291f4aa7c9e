/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Role } from '@plumb-mark/core'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { CalculatorsView } from './calculators-view.js'
import { toLink } from '../data/calculators/link.js'

const user = userEvent.setup()
const JOBS = [
  { id: 'j1', number: 'PM-1', title: 'Barn', sealed: false },
  { id: 'j2', number: 'PM-2', title: 'Shed', sealed: true },
]
/** A value of 2.5 against a least of 1, as a link carries it. */
const LINK = toLink({ value: '2.5', min: '1' })

function open(role: Role = 'inspector', answers: Record<string, unknown> = {}, link = LINK) {
  openJob([], { role })
  serverSays({ 'GET /api/jobs': { jobs: JOBS, total: JOBS.length, beingRead: 0 }, ...answers })
  onScreen(<CalculatorsView />, { path: '/calculators/:name', at: `/calculators/decision?in=${link}` })
}
const figure = (label: string) => screen.getByLabelText<HTMLInputElement>(label)

describe('a link with figures', () => {
  it('opens the calculator with them, worked out', () => {
    open()
    expect(figure('Reading').value).toBe('2.5')
    expect(screen.getByText('conforms')).toBeInTheDocument()
  })
  it('that says nothing opens the example', () => {
    open('inspector', {}, 'bm8')
    expect(figure('Reading').value).not.toBe('')
  })
})

describe('a figure', () => {
  it('is judged at each keystroke, and one that cannot be read is named at its field', async () => {
    open()
    await user.clear(figure('Reading'))
    await user.type(figure('Reading'), '0.5')
    expect(screen.getByText('does not conform')).toBeInTheDocument()
    await user.type(figure('Reading'), ' parsecs')
    expect(figure('Reading').getAttribute('aria-invalid')).toBe('true')
    expect(screen.queryByText('does not conform')).toBeNull()
    expect(screen.queryByRole('button', { name: 'Use this in a job' })).toBeNull()
  })
})

describe('using it in a job', () => {
  const keepIn = async () => {
    await user.click(screen.getByRole('button', { name: 'Use this in a job' }))
    await screen.findByRole('option', { name: 'PM-1 Barn' })
    await user.selectOptions(screen.getByLabelText('Job'), 'PM-1 Barn')
    await user.click(screen.getByRole('button', { name: 'Save there' }))
  }
  it('keeps the inputs, not the result, in one that is not sealed', async () => {
    open()
    await keepIn()
    expect(await screen.findByText(/^Kept in the job/)).toBeInTheDocument()
    expect(screen.queryByText(/PM-2/)).toBeNull()
    const sent = asked.find(({ method }) => method === 'POST')!
    expect(sent.address).toBe('/api/jobs/j1/entries')
    expect((sent.body as { entries: object[] }).entries).toMatchObject([
      { kind: 'calculation-kept', body: { calculator: 'decision', input: { value: 2.5, min: 1 } } },
    ])
  })
  it('says why it was not kept, and the choice stands', async () => {
    open('inspector', { 'POST /api/jobs/j1/entries': refusal(409, 'sealed', 'the job was sealed meanwhile') })
    await keepIn()
    expect(await screen.findByText('Not kept: the job was sealed meanwhile')).toBeInTheDocument()
    expect(screen.getByLabelText<HTMLSelectElement>('Job').value).toBe('j1')
  })
  it('is not for who only reads', () => {
    open('reviewer')
    expect(screen.getByText('conforms')).toBeInTheDocument()
    expect(screen.queryByRole('button', { name: 'Use this in a job' })).toBeNull()
  })
})
