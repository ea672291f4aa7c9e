/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../../testing/job-on-screen.testing.js'
import { PowerUp } from './power-up.js'

const user = userEvent.setup()
const fitted = (id: string, label: string, sheetId: string): Change => ({
  kind: 'unit-fitted',
  body: { id, label, sheetId },
})
const TWO = [
  fitted('one', 'Inverter 1', 'aldervane-ah-8t-c'),
  fitted('two', 'Inverter 2', 'aldervane-ah-8t-c'),
]
const BATTERY = fitted('bat', 'Battery', 'thrumcap-tb-10-b')
/** Long enough ago that every wait is over. */
const EARLIER = '2026-06-01T08:00:00.000Z'
const stepped = (unit: string, ...ids: string[]): Change => ({
  kind: 'record',
  body: { point: `${unit}/power-up/unit`, answer: { done: ids.map((id) => ({ id, at: EARLIER })) } },
})

async function wholeSite(
  changes: Change[],
  { way = 'on', role = 'inspector' as 'inspector' | 'reviewer' } = {},
) {
  openJob(changes, { sheets: ['aldervane-ah-8t-c', 'thrumcap-tb-10-b'].map(sampleSheet), role })
  onScreen(<PowerUp />)
  await user.click(screen.getByRole('button', { name: `Whole site, switching ${way}` }))
  return within(screen.getByRole('region', { name: 'Order of the whole site' }))
}
const kept = () =>
  appended().map(({ body }) => {
    const { point, answer } = body as { point: string; answer: { done: { id: string }[] } }
    return [point, answer.done.map(({ id }) => id)]
  })

it('a step that several sheets name is done once on site, and stands in the record of each unit', async () => {
  const site = await wholeSite(TWO)
  expect(site.getAllByRole('listitem')).toHaveLength(3)
  await user.click(site.getByRole('button', { name: 'Done: switch the mains on' }))
  expect(kept()).toEqual([
    ['one/power-up/unit', ['mains']],
    ['two/power-up/unit', ['mains']],
  ])
})

it('what was done unit by unit is done here only once every unit has it', async () => {
  const site = await wholeSite([...TWO, stepped('one', 'mains')])
  expect(site.getByRole('button', { name: 'Done: switch the mains on' })).toBeVisible()
  expect(site.queryByRole('button', { name: 'Take the last one back' })).toBeNull()
})

it('the last step is taken back in every record that has it, and what was before it stays', async () => {
  const site = await wholeSite([...TWO, stepped('one', 'mains'), stepped('two', 'mains')])
  await user.click(site.getByRole('button', { name: 'Take the last one back' }))
  expect(kept()).toEqual([
    ['one/power-up/unit', []],
    ['two/power-up/unit', []],
  ])
})

it('each step says for which units it is, with the battery among them', async () => {
  const site = await wholeSite([...TWO, BATTERY])
  const steps = site.getAllByRole('listitem').map(({ textContent }) => textContent)
  expect(steps.find((text) => text?.includes('switch the mains on'))).toContain('Inverter 1, Inverter 2')
  expect(steps.find((text) => text?.includes('turn the isolator on'))).toContain('Battery')
})

it('who only reads sees the order, and nothing to touch', async () => {
  const site = await wholeSite([...TWO, stepped('one', 'mains'), stepped('two', 'mains')], {
    role: 'reviewer',
  })
  expect(site.getAllByRole('listitem')).toHaveLength(3)
  expect(site.queryByRole('button')).toBeNull()
})

it('with one unit alone there is no order of the site', () => {
  openJob([TWO[0]!], { sheets: [sampleSheet('aldervane-ah-8t-c')] })
  onScreen(<PowerUp />)
  expect(screen.queryByRole('button', { name: /^Whole site/ })).toBeNull()
})
