/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../testing/job-on-screen.testing.js'
import { useInspection } from '../job/inspection.js'
import { useSession } from '../data/session.js'
import { ReworkView } from './rework-view.js'

const user = userEvent.setup()
const SHEET = 'aldervane-ah-8t-c'
const IDS = ['00000000-0000-4000-8000-000000000001', '00000000-0000-4000-8000-000000000002'] as const

/** Two checks of the inverter were raised: one stops the job, one does not. */
function raised(...more: Change[]) {
  const unit: Change = { kind: 'unit-fitted', body: { id: 'inv', label: 'Inverter 1', sheetId: SHEET } }
  openJob([unit], { sheets: [sampleSheet(SHEET)] })
  const checks = useInspection
    .getState()
    .inspection!.checks.filter(({ check }) => check.ask.kind === 'observation')
  const defects = IDS.map((defectId, i): Change => ({
    kind: 'defect-raised',
    body: {
      defectId,
      checkId: checks[i]!.check.id,
      severity: i === 0 ? 'minor' : 'stop',
      title: i === 0 ? 'Label is wanting' : 'Cover is live',
      place: 'Inverter 1',
      finding: 'not so',
      remedy: 'Put it right.',
    } as never,
  }))
  openJob([unit, ...defects, ...more], { sheets: [sampleSheet(SHEET)] })
  useSession.setState({ person: { id: 'b', name: 'Bram', role: 'installer' } })
  onScreen(<ReworkView />)
}
const card = (title: string) => within(screen.getByRole('article', { name: new RegExp(title) }))

it('what is owed stands by its urgency, with what is to be done and the usual caution', () => {
  raised()
  expect(screen.getAllByRole('article').map((one) => one.getAttribute('aria-label'))).toEqual([
    'Cover is live, Inverter 1',
    'Label is wanting, Inverter 1',
  ])
  expect(card('Cover is live').getByText('Put it right.')).toBeInTheDocument()
  expect(screen.getByText(/Isolate and prove dead before touching/)).toBeInTheDocument()
})

it('is said to be put right as it was asked, by one touch', async () => {
  raised()
  await user.click(card('Label is wanting').getByRole('button', { name: 'I have put this right' }))
  await user.click(card('Label is wanting').getByRole('button', { name: /^As asked: / }))
  expect(card('Label is wanting').getByRole('textbox')).toHaveValue('As asked: Put it right.')
  await user.click(card('Label is wanting').getByRole('button', { name: 'Mark as reworked' }))
  expect(appended()).toMatchObject([{ body: { step: 'reworked', note: 'As asked: Put it right.' } }])
})

it('is said to be put right with words of one’s own, and then waits for the inspector', async () => {
  raised()
  await user.click(card('Label is wanting').getByRole('button', { name: 'I have put this right' }))
  await user.type(card('Label is wanting').getByRole('textbox'), 'label fitted beside the switch')
  await user.click(card('Label is wanting').getByRole('button', { name: 'Mark as reworked' }))
  expect(appended()).toMatchObject([
    {
      kind: 'defect-step',
      body: { defectId: IDS[0], step: 'reworked', note: 'label fitted beside the switch' },
    },
  ])
  expect(screen.getByRole('heading', { name: 'Done' })).toBeInTheDocument()
  expect(useInspection.getState().inspection!.defects.map(({ state }) => state)).toEqual(['reworked', 'open'])
})

it('a mistaken “reworked” can be taken back until somebody looked', async () => {
  raised({ kind: 'defect-step', body: { defectId: IDS[0], step: 'reworked', note: 'done' } })
  await user.click(card('Label is wanting').getByRole('button', { name: 'Not put right yet: take it back' }))
  await user.type(card('Label is wanting').getByRole('textbox'), 'it was the other unit')
  await user.click(card('Label is wanting').getByRole('button', { name: 'Take back' }))
  expect(useInspection.getState().inspection!.defects.map(({ state }) => state)).toEqual(['open', 'open'])
})

it('whoever owes nothing is told so', () => {
  openJob([])
  onScreen(<ReworkView />)
  expect(screen.getByText('Nothing is owed. What you reworked waits for the inspector.')).toBeInTheDocument()
})
