/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { DueAgain as Due, JobBundle } from '@plumb-mark/contract'
import { useInspection } from '../job/inspection.js'
import { queryClient } from '../data/query-client.js'
import {
  onScreen,
  openJob,
  refusal,
  sampleSheet,
  serverSays,
  type Change,
} from '../testing/job-on-screen.testing.js'
import { DueAgain } from './due.js'
import { ReinspectionView } from './reinspection-view.js'

const user = userEvent.setup()
const SHEET = sampleSheet('aldervane-ah-8t-c')
const TAPE = {
  id: 't',
  name: 'Driver',
  kind: 'torque-driver' as const,
  serial: '1',
  calibratedUntil: '2099-01-01',
  accuracy: [{ dimension: 'torque' as const, percent: 1, plus: 0 }],
}
const unit = (id: string, label: string): Change => ({
  kind: 'unit-fitted',
  body: { id, label, sheetId: 'aldervane-ah-8t-c' },
})
const torque = (typed: string): Change => ({
  kind: 'reading',
  body: {
    point: 'inv/torque-dc/pv1-plus' as never,
    typed,
    value: Number.parseFloat(typed),
    unit: 'N·m',
    relation: '=',
    instrument: TAPE,
  },
})
const seen = (yes: boolean): Change => ({
  kind: 'observation',
  body: { point: 'inv/gasket/unit', seen: yes },
})
const page = () => onScreen(<ReinspectionView />, { path: '/jobs/:jobId/since', at: '/jobs/j/since' })
const part = (name: string) => within(screen.getByRole('region', { name }))

/** A job as the server gives it: what was opened before, under another id. */
function bundleOf(
  jobId: string,
  number: string,
  changes: Change[],
  again?: { jobId: string; number: string },
) {
  openJob(changes, { sheets: [SHEET], header: { number, ...(again && { again }) } as never })
  const { entries } = useInspection.getState()
  return {
    id: jobId,
    entries: [...entries],
    sheets: [SHEET],
    instruments: [],
    broken: [],
    keyFingerprint: '',
  } satisfies JobBundle
}

beforeEach(() => queryClient().clear())

it('a first inspection says so, and how the next one is opened', () => {
  openJob([])
  page()
  expect(screen.getByText(/^This is the first inspection of this installation here/)).toBeVisible()
  expect(screen.queryByRole('region')).toBeNull()
})

it('tells what is new, what is gone, and what is judged otherwise', async () => {
  const before = bundleOf('b', 'PM-1', [unit('inv', 'Inverter 1'), unit('old', 'Old meter box'), seen(true)])
  openJob([unit('inv', 'Inverter 1'), unit('add', 'Inverter 2'), seen(false)], {
    sheets: [SHEET],
    header: { again: { jobId: 'b', number: 'PM-1' } } as never,
  })
  serverSays({ 'GET /api/jobs/b': before })
  page()
  expect(await screen.findByRole('link', { name: 'PM-1' })).toHaveAttribute('href', '/jobs/b/sign-off')
  expect(screen.getByText(/which is not signed/)).toBeVisible()
  const built = part('Built otherwise').getAllByRole('listitem')
  expect(built.map(({ textContent }) => textContent).join('; ')).toMatch(/Inverter 2 is new/)
  expect(built.map(({ textContent }) => textContent).join('; ')).toMatch(/Old meter box is gone/)
  expect(screen.getByRole('region', { name: 'Judged otherwise' })).toHaveTextContent(
    /conforms.*became.*does not conform/,
  )
  expect(part('Drifting').getByText(/^Nothing has been read both times/)).toBeVisible()
})

it('where all stands as it did says so in each part', async () => {
  const before = bundleOf('b', 'PM-1', [unit('inv', 'Inverter 1'), seen(true)])
  openJob([unit('inv', 'Inverter 1'), seen(true)], {
    sheets: [SHEET],
    header: { again: { jobId: 'b', number: 'PM-1' } } as never,
  })
  serverSays({ 'GET /api/jobs/b': before })
  page()
  expect(await screen.findByText('Everything that is entered stands as it did.')).toBeVisible()
  expect(screen.getByText('Nothing that was judged both times is judged otherwise.')).toBeVisible()
})

it('goes back as far as there are inspections, and turns in no ring', async () => {
  const first = bundleOf('a', 'PM-0', [unit('inv', 'Inverter 1'), torque('2.4 N·m')], {
    jobId: 'b',
    number: 'PM-1',
  })
  const second = bundleOf('b', 'PM-1', [unit('inv', 'Inverter 1'), torque('2.4 N·m')], {
    jobId: 'a',
    number: 'PM-0',
  })
  openJob([unit('inv', 'Inverter 1'), torque('2.4 N·m')], {
    sheets: [SHEET],
    header: { again: { jobId: 'b', number: 'PM-1' } } as never,
  })
  serverSays({ 'GET /api/jobs/a': first, 'GET /api/jobs/b': second })
  page()
  expect(await screen.findByText(/, and 1 before it/)).toBeVisible()
})

it('an inspection before that may not be read is told, and nothing is compared with nothing', async () => {
  openJob([], { header: { again: { jobId: 'b', number: 'PM-1' } } as never })
  serverSays({ 'GET /api/jobs/b': refusal(403, 'not-shared', 'this job is not shared with you') })
  page()
  expect(await screen.findByText(/cannot be read: this job is not shared with you/)).toBeVisible()
  expect(screen.queryByRole('region', { name: 'Built otherwise' })).toBeNull()
})

describe('what is due again', () => {
  const due = (n: number, on: string): Due => ({
    jobId: `j${n}`,
    number: `PM-${n}`,
    title: `House ${n}`,
    site: 'Mill Lane',
    customer: 'Nobody',
    on,
    signedOn: '2024-05-01',
    months: 36,
  })
  const shown = (rows: Due[]) => {
    openJob([])
    serverSays({ 'GET /api/due-again': rows })
    onScreen(<DueAgain />)
  }
  it('says by which day, and that a day is over', async () => {
    shown([due(1, '2020-01-31'), due(2, '2099-01-31')])
    const late = within(await screen.findByRole('article', { name: 'PM-1 House 1' }))
    expect(late.getByText(/overdue$/)).toBeVisible()
    expect(late.getByRole('link', { name: 'Open the next one' })).toHaveAttribute(
      'href',
      '/jobs/new?again=j1',
    )
    const later = within(screen.getByRole('article', { name: 'PM-2 House 2' }))
    expect(later.queryByText(/overdue/)).toBeNull()
    expect(later.getByText(/every 36 months/)).toBeVisible()
  })
  it('shows the first ones, and all when asked', async () => {
    shown(Array.from({ length: 11 }, (_, i) => due(i, '2099-01-31')))
    expect(await screen.findAllByRole('article')).toHaveLength(8)
    await user.click(screen.getByRole('button', { name: 'All 11' }))
    expect(screen.getAllByRole('article')).toHaveLength(11)
    await user.click(screen.getByRole('button', { name: 'Only the first' }))
    expect(screen.getAllByRole('article')).toHaveLength(8)
  })
  it('where nothing is due stands nowhere', async () => {
    shown([])
    await new Promise((resolve) => setTimeout(resolve))
    expect(screen.queryByRole('region', { name: 'Due again' })).toBeNull()
  })
})
