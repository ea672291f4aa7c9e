/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../../testing/job-on-screen.testing.js'
import { useFocus } from '../../job/focus.js'
import { useInspection } from '../../job/inspection.js'
import { PlaceTask } from './place-task.js'

const user = userEvent.setup()
const SHEETS = ['wendlemere-wm-430-b', 'sorrelight-me-1-b', 'aldervane-ah-8t-c'].map(sampleSheet)
const fitted = (id: string, label: string, sheetId: string): Change => ({
  kind: 'unit-fitted',
  body: { id, label, sheetId },
})
const ROOF: Change[] = [
  fitted('inv', 'Inverter', 'aldervane-ah-8t-c'),
  fitted('mod', 'Modules', 'wendlemere-wm-430-b'),
  fitted('box', 'Devices', 'sorrelight-me-1-b'),
  {
    kind: 'plane-built',
    body: {
      id: 'p',
      label: 'South',
      unitId: 'mod',
      rows: 1,
      columns: 3,
      orientation: 'portrait',
      gap: 20,
      empty: [],
    },
  },
]
const device = (more: object = {}): Change => ({
  kind: 'devices-fitted',
  body: {
    devices: [{ id: 'd', unitId: 'box', at: 'p.r1c1', feeds: ['p.r1c1', 'p.r1c2'], serial: 'ME-7', ...more }],
  },
})
const look = (place: string, changes: Change[], { writable = true } = {}) => {
  openJob([...ROOF, ...changes], { sheets: SHEETS })
  onScreen(<PlaceTask place={place} writable={writable} />)
}
const press = (name: string | RegExp) => user.click(screen.getByRole('button', { name }))
const ports = () => {
  const [{ idlePorts, cappedPorts } = {} as never] =
    useInspection.getState().inspection!.state.asBuilt.array.devices
  return [idlePorts, cappedPorts]
}

it('a place where nothing is entered says so', () => {
  look('p.r1c3', [])
  expect(screen.getByRole('region', { name: 'South, row 1, place 3' })).toHaveTextContent('Wendlemere WM-430')
  expect(screen.queryByRole('button', { name: /idle port/ })).toBeNull()
})

it('a module is named with its place in its string, and the device that it feeds with its serial', () => {
  look('p.r1c2', [
    device(),
    {
      kind: 'string-built',
      body: {
        id: 's',
        label: 'String A',
        unitId: 'inv',
        input: 'PV1',
        module: {
          name: 'Wendlemere WM-430',
          voc: 38.9,
          vocTempCoeff: -0.25,
          cellsInSeries: 54,
          bypassDiodes: 3,
        },
        count: 2,
        path: ['p.r1c1', 'p.r1c2'],
      },
    },
  ])
  expect(screen.getByText(/String A, module 2 of 2/)).toBeVisible()
  expect(screen.getByText('ME-7')).toBeVisible()
})

it('idle ports are counted by touches: none, one more, one fewer; what was never counted is no zero', async () => {
  look('p.r1c1', [device()])
  expect(screen.getByText(/its idle ports are not counted yet/)).toBeVisible()
  await press('No idle port')
  expect(ports()).toEqual([0, 0])
})

it('a port that is counted says nothing of its cap; caps are looked at by themselves, and a port less takes its cap with it', async () => {
  look('p.r1c1', [device()])
  await press('One idle port')
  expect([...ports(), screen.getByText(/1 idle, caps not looked at yet/).tagName]).toEqual([
    1,
    undefined,
    'P',
  ])
  await press('One idle port more')
  await press('All capped')
  expect(ports()).toEqual([2, 2])
  await press('One fewer')
  expect(ports()).toEqual([1, 1])
  await press('None capped')
  expect(ports()).toEqual([1, 0])
  expect(screen.getByText(/0 of 1 idle ports capped/)).toBeVisible()
  await press('One fewer')
  expect(ports()).toEqual([0, 0])
})

it('each check of the device is a touch away', async () => {
  look('p.r1c1', [device({ idlePorts: 1 })])
  const { inspection } = useInspection.getState()
  const own = inspection!.checks.filter(({ check }) => check.subject.device?.id === 'd')
  expect(own.length).toBeGreaterThan(0)
  await press(own[0]!.check.requirement.title)
  expect(useFocus.getState().checkId).toBe(own[0]!.check.id)
})

it('a device is replaced by another: the serial that goes out and the one that comes in are kept', async () => {
  look('p.r1c1', [device()])
  await press('Replace this device')
  const panel = within(screen.getByRole('region', { name: 'Replace the device at row 1, place 1' }))
  expect(panel.getByLabelText('Serial taken out')).toHaveValue('ME-7')
  expect(panel.getByRole('button', { name: 'Replaced' })).toBeDisabled()
  await user.type(panel.getByLabelText('Serial put in'), 'ME-9')
  await user.selectOptions(panel.getByLabelText('Why'), 'it does not start')
  await user.type(panel.getByLabelText('Where the old one is now'), 'in the van')
  await user.click(panel.getByRole('button', { name: 'Replaced' }))
  expect(appended()).toMatchObject([
    { kind: 'replaced', body: { deviceId: 'd', serialOut: 'ME-7', serialIn: 'ME-9' } },
  ])
})

it('who only looks has nothing to touch but the checks', () => {
  look('p.r1c1', [device({ idlePorts: 2 })], { writable: false })
  expect(screen.getByText(/2 idle, caps not looked at yet/)).toBeVisible()
  expect(screen.queryByRole('button', { name: /idle|capped|Replace/ })).toBeNull()
})
