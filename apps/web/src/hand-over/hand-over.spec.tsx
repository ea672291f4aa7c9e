/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../testing/job-on-screen.testing.js'
import { PNG, canvasThatDraws } from '../testing/canvas.testing.js'
import { HandOverView } from './hand-over-view.js'

const user = userEvent.setup()
beforeAll(canvasThatDraws)
const SHEET = 'aldervane-ah-8t-c'
const unit = (id: string, label: string, serial?: string): Change => ({
  kind: 'unit-fitted',
  body: { id, label, sheetId: SHEET, ...(serial && { serial }) },
})
const plate = (id: string, serial: string): Change => ({
  kind: 'record',
  body: { point: `${id}/nameplate/unit`, answer: { values: { serial: { typed: serial } } } } as never,
})

function shown(...changes: Change[]) {
  openJob(changes, { sheets: [sampleSheet(SHEET)] })
  onScreen(<HandOverView />, { path: '/jobs/:jobId/hand-over', at: '/jobs/j/hand-over' })
}
const part = (title: string) => within(screen.getByRole('heading', { name: title }).parentElement!)

it('what was read off the plate is what is installed; what was ordered stands beside it where it is another', () => {
  shown(
    unit('a', 'Inverter 1', 'AH-1'),
    plate('a', 'AH-9'),
    unit('b', 'Inverter 2', 'AH-2'),
    unit('c', 'Inverter 3'),
    unit('d', 'Inverter 4', 'AH-4'),
    plate('d', 'ah 4'),
  )
  const rows = part('What was installed').getAllByRole('row').slice(1)
  expect(rows.map((row) => within(row).getAllByRole('cell').at(-1)!.textContent)).toEqual([
    'AH-9 (ordered AH-1)',
    'not read; ordered AH-2',
    'not read',
    'ah 4',
  ])
})

it('says first that not everything is settled, and what is wrong', () => {
  shown(unit('a', 'Inverter 1'))
  expect(screen.getByRole('note')).toHaveTextContent(
    /^Not everything is settled: 0 .*, \d+ not proven or not inspected/,
  )
  expect(within(screen.getByRole('note')).getByRole('link', { name: 'All of it' })).toHaveAttribute(
    'href',
    '/jobs/j/sign-off',
  )
})

it('tells how to switch off, and the dangers that stay', () => {
  shown(unit('a', 'Inverter 1'))
  expect(part('How to switch off, in this order').getAllByRole('listitem').length).toBeGreaterThan(1)
  expect(part('Take care').getByText(/a battery cannot be switched off inside/)).toBeInTheDocument()
})

it('is received by somebody who signs, with whom to call; without those nothing is written', async () => {
  shown(unit('a', 'Inverter 1'))
  await user.click(screen.getByRole('button', { name: 'Received' }))
  await waitFor(() => expect(screen.getByLabelText('Received by')).toBeInvalid())
  expect(appended()).toEqual([])
  await user.type(screen.getByLabelText('Whom to call, with the number'), 'The works, 555 0100')
  await user.type(screen.getByLabelText('Received by'), 'Edda Trout')
  await user.click(screen.getByRole('button', { name: 'Received' }))
  expect(appended()).toEqual([])
  await user.click(screen.getByRole('button', { name: 'Type the name instead' }))
  await user.type(screen.getByLabelText('Name as the mark'), 'Edda Trout')
  await user.click(screen.getByRole('button', { name: 'Received' }))
  await waitFor(() =>
    expect(appended()).toEqual([
      { kind: 'handed-over', body: { to: 'Edda Trout', call: 'The works, 555 0100', drawing: PNG } },
    ]),
  )
})

it('once received it says by whom, and asks no longer', () => {
  shown(unit('a', 'Inverter 1'), {
    kind: 'handed-over',
    body: { to: 'Edda Trout', call: 'The works, 555 0100', drawing: 'data:image/png;base64,AA' },
  })
  const received = part('Whom to call, and received')
  expect(received.getByText('The works, 555 0100')).toBeInTheDocument()
  expect(
    received.getByText(/^Received by Edda Trout on 1 Jun 2026, handed over by Somebody$/),
  ).toBeInTheDocument()
  expect(received.getByRole('img', { name: 'Signature of Edda Trout' })).toBeInTheDocument()
  expect(screen.queryByRole('button', { name: 'Received' })).not.toBeInTheDocument()
})
