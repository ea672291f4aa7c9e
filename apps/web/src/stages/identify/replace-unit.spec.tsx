/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet } from '../../testing/job-on-screen.testing.js'
import { Units } from './units.js'

const user = userEvent.setup()
const begin = async () => {
  openJob(
    [
      {
        kind: 'unit-fitted',
        body: { id: 'inv', label: 'Inverter 1', sheetId: 'aldervane-ah-8t-c', serial: 'OLD-1' },
      },
    ],
    { sheets: [sampleSheet('aldervane-ah-8t-c')] },
  )
  onScreen(<Units />)
  await user.click(screen.getByRole('button', { name: 'Replace this unit' }))
}
const done = () => screen.getByRole('button', { name: 'Replaced' })
const takeOff = async () => {
  for (const step of screen.getAllByRole('checkbox')) await user.click(step)
}

it('a unit is replaced once it is off in its maker’s order, with both serials, a reason and where the old one went', async () => {
  await begin()
  expect(screen.getByLabelText<HTMLInputElement>('Serial taken out').value).toBe('OLD-1')
  await user.type(screen.getByLabelText('Serial put in'), 'NEW-1')
  await user.selectOptions(screen.getByLabelText('Why'), 'damaged')
  await user.type(screen.getByLabelText('Where the old one is now'), 'back to its maker')
  expect(done()).toBeDisabled()
  await takeOff()
  await user.click(done())
  expect(appended().at(-1)).toMatchObject({
    kind: 'replaced',
    body: {
      unitId: 'inv',
      serialOut: 'OLD-1',
      serialIn: 'NEW-1',
      reason: 'damaged',
      whereabouts: 'back to its maker',
    },
  })
  // The plate shows the one that stands there now.
  expect(screen.getByText('NEW-1')).toBeInTheDocument()
})
it('another reason is asked for in words', async () => {
  await begin()
  await takeOff()
  await user.type(screen.getByLabelText('Serial put in'), 'NEW-1')
  await user.type(screen.getByLabelText('Where the old one is now'), 'store')
  await user.selectOptions(screen.getByLabelText('Why'), 'other')
  expect(done()).toBeDisabled()
  await user.type(screen.getByLabelText('Why, in words'), 'too loud')
  await user.click(done())
  expect(appended().at(-1)).toMatchObject({ body: { reason: 'too loud' } })
})
