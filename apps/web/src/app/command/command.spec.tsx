/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useInputDefaults } from '../../data/input-defaults.js'
import {
  appended,
  onScreen,
  openJob,
  sampleSheet,
  serverSays,
  type Change,
} from '../../testing/job-on-screen.testing.js'
import { CommandLine } from './command-line.js'

const user = userEvent.setup()
const UNIT: Change = {
  kind: 'unit-fitted',
  body: { id: 'iso', label: 'Isolator 7', sheetId: 'aldervane-dx-4-a' },
}
const DRIVER = {
  id: 'd',
  name: 'Driver D9',
  kind: 'torque-driver' as const,
  serial: '9',
  calibratedUntil: '2099-01-01',
  accuracy: [{ dimension: 'torque' as const, percent: 4, plus: 0 }],
}
const open = async (role: 'inspector' | 'reviewer' = 'inspector') => {
  openJob([UNIT], { sheets: [sampleSheet('aldervane-dx-4-a')], role })
  const { useInspection } = await import('../../job/inspection.js')
  useInspection.setState({ instruments: [DRIVER] })
  useInputDefaults.setState({ instruments: {} })
  serverSays({ 'GET /api/jobs': { jobs: [], total: 0, beingRead: 0 }, 'GET /api/sheets': [] })
  onScreen(<CommandLine />, { path: '/jobs/:jobId/*', at: '/jobs/j/walk/dc' })
  await user.keyboard(';')
  return screen.findByRole('combobox')
}

it('finds a check by its words and leads to it', async () => {
  await user.type(await open(), 'isol 7 torque 1')
  const [first] = await screen.findAllByRole('option')
  expect(first).toHaveTextContent('Tightening torque · 1')
  await user.keyboard('{Enter}')
  expect(screen.queryByRole('combobox')).toBeNull()
  expect(appended()).toEqual([])
})

it('takes a figure at the end as a reading, shows what it comes to, and keeps it on Enter', async () => {
  await user.type(await open(), 'isolator 7 torque 1 17')
  const [first] = await screen.findAllByRole('option')
  expect(first).toHaveTextContent(/keep this reading/)
  expect(first!.querySelector('[data-verdict]')).toHaveAttribute('data-verdict', 'conforms')
  await user.keyboard('{Enter}')
  await waitFor(() => expect(appended()).toHaveLength(1))
  expect(appended()[0]).toMatchObject({
    kind: 'reading',
    body: { point: 'iso/torque/t1', typed: '17', unit: 'in·lb', instrument: { name: 'Driver D9' } },
  })
})

it('who may not write is led to the check, and nothing is kept', async () => {
  await user.type(await open('reviewer'), 'isolator 7 torque 1 17')
  expect((await screen.findAllByRole('option'))[0]).toHaveTextContent(/Enter: open/)
  await user.keyboard('{Enter}')
  expect(appended()).toEqual([])
})

it('finds calculators, says when nothing is called that, and closes with Escape', async () => {
  await user.type(await open(), 'decision')
  expect((await screen.findAllByRole('option')).at(-1)).toHaveTextContent('calculator')
  await user.clear(screen.getByRole('combobox'))
  await user.type(screen.getByRole('combobox'), 'zzzz')
  expect(await screen.findByText(/^Nothing is called that\. Try a unit and a thing/)).toBeInTheDocument()
  await user.keyboard('{Escape}')
  expect(screen.queryByRole('combobox')).toBeNull()
})
