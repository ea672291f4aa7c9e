/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { Instrument } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { asked, onScreen, openJob, refusal, serverSays } from '../testing/job-on-screen.testing.js'
import { Calibration, InstrumentsView } from './instruments-view.js'

const user = userEvent.setup()
const TAPE: Instrument = {
  id: 'tape',
  name: 'Tape T1',
  kind: 'tape',
  serial: '1',
  calibratedUntil: '2099-01-01',
  accuracy: [{ dimension: 'length', percent: 0, plus: 2 }],
}
const OLD: Instrument = { ...TAPE, id: 'old', name: 'Tape T0', serial: '0', calibratedUntil: '2020-01-01' }

function seenBy(role: 'office' | 'inspector', answers: object = {}) {
  openJob([])
  useSession.setState({ person: { id: 'p', name: 'Somebody', role } })
  serverSays({ 'GET /api/instruments': [TAPE, OLD], ...answers })
  onScreen(<InstrumentsView />)
}
const form = () => within(screen.getByRole('form', { name: 'Instrument' }))
const sent = () => asked.filter(({ method }) => method === 'PUT').map(({ body }) => body)

it('the first to run out stands first, and says that its calibration is over', async () => {
  seenBy('inspector')
  const rows = await screen.findAllByRole('button', { name: /^Tape/ })
  expect(rows.map(({ textContent }) => textContent!.slice(0, 7))).toEqual(['Tape T0', 'Tape T1'])
  expect(rows[0]).toHaveTextContent('calibration ended 2020-01-01')
  expect(rows[1]).toHaveTextContent('length ± 2 mm')
})

it('only the office changes figures', async () => {
  seenBy('inspector')
  for (const row of await screen.findAllByRole('button', { name: /^Tape/ })) expect(row).toBeDisabled()
  expect(screen.queryByRole('button', { name: 'Instrument' })).not.toBeInTheDocument()
  expect(screen.queryByRole('button', { name: 'Export instruments' })).not.toBeInTheDocument()
})

it.each([
  ['2026-12-31', '2026-12-31', 'calibrated until 2026-12-31, 0 days left'],
  ['2026-12-31', '2027-01-01', 'calibration ended 2026-12-31'],
  ['2027-06-30', '2026-12-31', 'calibrated until 2027-06-30'],
])('calibrated until %s is on %s: %s', (until, day, words) => {
  openJob([])
  onScreen(<Calibration until={until} day={day} />)
  expect(screen.getByText(words)).toBeInTheDocument()
})

describe('what an instrument measures', () => {
  it('begins with nothing, is asked for, and is kept as it was typed', async () => {
    seenBy('office')
    await user.click(await screen.findByRole('button', { name: 'Instrument' }))
    await user.type(form().getByLabelText('Name'), 'Meter M2')
    await user.type(form().getByLabelText('Serial'), '77')
    await user.type(form().getByLabelText('Calibrated until'), '2027-03-31')
    await user.click(form().getByRole('button', { name: /What it measures/ }))
    expect(form().getByLabelText(/% of reading/)).toHaveProperty('value', '')
    await user.click(form().getByRole('button', { name: 'Save' }))
    expect(form().getByText(/How well it measures voltage is wanting/)).toBeInTheDocument()
    expect(sent()).toEqual([])
    await user.type(form().getByLabelText(/% of reading/), '0.5')
    await user.click(form().getByRole('button', { name: 'Save' }))
    expect(sent()).toMatchObject([
      { name: 'Meter M2', serial: '77', accuracy: [{ dimension: 'voltage', percent: 0.5, plus: 0 }] },
    ])
  })

  it('is not known any more once it was cleared: never an uncertainty of nothing', async () => {
    seenBy('office')
    await user.click(await screen.findByRole('button', { name: /^Tape T1/ }))
    await user.clear(form().getByLabelText('plus, mm'))
    expect(form().getByLabelText('plus, mm')).toHaveProperty('value', '')
    await user.click(form().getByRole('button', { name: 'Save' }))
    expect(form().getByText(/How well it measures length is wanting/)).toBeInTheDocument()
    expect(sent()).toEqual([])
  })

  it('is written anew by the office: a new calibration, another dimension', async () => {
    seenBy('office', { 'PUT /api/instruments/old': OLD })
    await user.click(await screen.findByRole('button', { name: /^Tape T0/ }))
    await user.clear(form().getByLabelText('Calibrated until'))
    await user.type(form().getByLabelText('Calibrated until'), '2030-06-30')
    await user.click(form().getByRole('button', { name: /What it measures/ }))
    await user.selectOptions(form().getAllByLabelText('measures')[1]!, 'angle')
    await user.type(form().getByLabelText('plus, °'), '0.5')
    await user.click(form().getByRole('button', { name: 'Save' }))
    expect(sent()).toMatchObject([
      {
        calibratedUntil: '2030-06-30',
        accuracy: [{ dimension: 'length' }, { dimension: 'angle', percent: 0, plus: 0.5 }],
      },
    ])
    expect(screen.queryByRole('form', { name: 'Instrument' })).not.toBeInTheDocument()
  })

  it('that the server refuses stays in the form, with the reason', async () => {
    seenBy('office', { 'PUT /api/instruments/tape': refusal(400, 'invalid', 'no such day') })
    await user.click(await screen.findByRole('button', { name: /^Tape T1/ }))
    await user.type(form().getByLabelText('Name'), ', new')
    await user.click(form().getByRole('button', { name: 'Save' }))
    expect(await form().findByText('no such day')).toBeInTheDocument()
    expect(form().getByLabelText('Name')).toHaveProperty('value', 'Tape T1, new')
  })
})
