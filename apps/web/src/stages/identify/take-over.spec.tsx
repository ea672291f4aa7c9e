/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { jest } from '@jest/globals'
import { screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { UnitBuilt } from '@plumb-mark/core'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../../testing/job-on-screen.testing.js'
import { useInspection } from '../../job/inspection.js'
import { TakeOver, useAlike } from './take-over.js'

const user = userEvent.setup()
const fitted = (id: string, label: string, sheetId = 'aldervane-ah-8t-c'): Change => ({
  kind: 'unit-fitted',
  body: { id, label, sheetId },
})
const string = (id: string, input: string): Change => ({
  kind: 'string-built',
  body: {
    id,
    label: `String ${id}`,
    unitId: 'one',
    input,
    module: { name: 'Wendlemere WM-430', voc: 38.9, vocTempCoeff: -0.25, cellsInSeries: 54, bypassDiodes: 3 },
    count: 12,
  },
})
const SITE = [
  fitted('one', 'Inverter 1'),
  fitted('two', 'Inverter 2'),
  string('A', 'PV1'),
  string('B', 'PV2'),
]
const unit = (id: string): UnitBuilt =>
  useInspection.getState().inspection!.state.asBuilt.units.find((one) => one.id === id)!
function takeOver(changes: Change[] = SITE) {
  openJob(changes, { sheets: [sampleSheet('aldervane-ah-8t-c'), sampleSheet('thrumcap-tb-10-b')] })
  const onDone = jest.fn()
  onScreen(<TakeOver from={unit('one')} to={unit('two')} onDone={onDone} />)
  return onDone
}

it('what stands at the like unit is offered; what is left ticked is taken over, as copied until somebody has seen it', async () => {
  const onDone = takeOver()
  await user.click(screen.getByLabelText('String B on PV2 (string)'))
  await user.click(screen.getByRole('button', { name: 'Take over 1' }))
  expect(appended()).toMatchObject([
    { kind: 'string-built', body: { unitId: 'two', input: 'PV1', count: 12 } },
  ])
  const { strings } = useInspection.getState().inspection!.state.asBuilt
  const copy = strings.find(({ unitId }) => unitId === 'two')!
  expect([copy.id === 'A', copy.label]).toEqual([false, 'String A (Inverter 2)'])
  expect(onDone).toHaveBeenCalledTimes(1)
})

it('with nothing ticked there is nothing to take over, and leaving keeps nothing', async () => {
  const onDone = takeOver()
  for (const box of screen.getAllByRole('checkbox')) await user.click(box)
  expect(screen.getByRole('button', { name: 'Take over 0' })).toBeDisabled()
  await user.click(screen.getByRole('button', { name: 'Cancel' }))
  expect([appended(), onDone.mock.calls.length]).toEqual([[], 1])
})

it('an input that is taken there already is not offered again', () => {
  takeOver([
    ...SITE,
    { ...string('C', 'PV1'), body: { ...string('C', 'PV1').body, unitId: 'two' } } as Change,
  ])
  expect(screen.queryByLabelText('String A on PV1 (string)')).toBeNull()
  expect(screen.getByLabelText('String B on PV2 (string)')).toBeChecked()
})

it.each([
  ['a unit of the same sheet that has something', 'two', 'Inverter 1'],
  ['a unit of another sheet', 'bat', 'nothing'],
])('%s is found to take over from', (_name, to, found) => {
  const Found = () => <p>{useAlike(unit(to))?.label ?? 'nothing'}</p>
  openJob([...SITE, fitted('bat', 'Battery', 'thrumcap-tb-10-b')], {
    sheets: [sampleSheet('aldervane-ah-8t-c'), sampleSheet('thrumcap-tb-10-b')],
  })
  onScreen(<Found />)
  expect(screen.getByText(found)).toBeVisible()
})
