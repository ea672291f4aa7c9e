/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { parse } from 'yaml'
import { draftOf } from '../editor/draft.js'
import {
  onScreen,
  openJob,
  sampleSheet,
  sampleText,
  serverSays,
} from '../../testing/job-on-screen.testing.js'
import { GuidedView } from './guided-view.js'

const user = userEvent.setup()
const ID = 'aldervane-dx-4-a'
const { maker, model, revision, kind, date } = sampleSheet(ID)

/** Answers who the unit is, and goes on to the questions. */
async function begin(from: string | undefined) {
  localStorage.clear()
  openJob([], { role: 'office' })
  serverSays({
    'GET /api/sheets': [
      { id: ID, maker, model, revision, kind, date, title: '', usedBy: 0, requirements: 9 },
    ],
    [`GET /api/sheets/${ID}`]: {
      sheet: sampleSheet(ID),
      source: sampleText(ID),
      fingerprint: 'f',
      usedBy: [],
    },
  })
  onScreen(<GuidedView />, { path: '/sheets/without-manual', at: '/sheets/without-manual' })
  await user.type(screen.getByLabelText('Maker'), 'Aldervane')
  await user.type(screen.getByLabelText('Model'), 'DX-9')
  await user.selectOptions(screen.getByLabelText('Kind of unit'), kind)
  if (from) await user.selectOptions(await screen.findByLabelText('Begin from'), from)
  await user.click(screen.getByRole('button', { name: 'Go on' }))
  await screen.findByRole('region', { name: 'What the maker demands' })
}
const made = () => parse(draftOf(undefined)!.text) as { requirements: Record<string, unknown>[] }

it('an empty sheet asks stage by stage, with a picture of what is meant, and what was said becomes the sheet', async () => {
  await begin(undefined)
  expect(screen.getByRole('button', { name: 'Make the sheet' })).toBeDisabled()
  await user.click(screen.getByRole('button', { name: /^Add: Tightening torques/ }))
  expect(screen.getByRole('img', { name: /^Tightening torques: How firmly/ })).toBeVisible()
  const form = screen.getByRole('region', { name: 'Add: Tightening torques' })
  await user.type(within(form).getByLabelText('Clause or document'), 'telephone, the maker')
  await user.type(within(form).getByLabelText('What it is about'), 'cover screws')
  await user.type(within(form).getByLabelText('least, N·m'), '1.2')
  await user.type(within(form).getByLabelText('most, N·m'), '1.5')
  await user.click(within(form).getByRole('button', { name: 'Save' }))
  await user.click(screen.getByRole('button', { name: 'Make the sheet' }))
  expect(made()).toMatchObject({ maker: 'Aldervane', model: 'DX-9', kind, date: '', source: '' })
  const [torque] = made().requirements
  expect(torque).toMatchObject({
    kind: 'limits',
    min: '1.2 N·m',
    max: '1.5 N·m',
    clause: 'telephone, the maker',
  })
  expect(torque).not.toHaveProperty('printed')
})

it('what another sheet brings is a proposal: no sheet is made before every one was looked at, and what is rejected is not demanded', async () => {
  await begin(ID)
  const status = () => screen.getByRole('status').textContent
  expect(status()).toMatch(/^\d+ to look at, 0 accepted$/)
  expect(screen.getByRole('button', { name: 'Make the sheet' })).toBeDisabled()
  await user.click(screen.getByRole('group', { name: /^left/ }))
  await user.click(
    within(screen.getByRole('group', { name: /^left/ })).getByRole('button', { name: 'Reject' }),
  )
  for (const all of screen.queryAllByRole('button', { name: /^Accept all/ })) await user.click(all)
  for (let left = 0; left < 60 && /to look at/.test(status()!); left++) await user.keyboard('a')
  await user.click(screen.getByRole('button', { name: 'Make the sheet' }))
  expect(made()).toMatchObject({ model: 'DX-9', revision: 'A' })
  expect(made()).not.toHaveProperty('manual')
  expect(made().requirements.find((one) => one['kind'] === 'clearance')).toMatchObject({
    clear: { left: '0 mm', right: '50 mm' },
  })
})
