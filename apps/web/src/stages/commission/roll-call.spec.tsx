/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { act, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { PointRead } from '@plumb-mark/core'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../../testing/job-on-screen.testing.js'
import { useLive } from '../../devices/live.js'
import { useInspection } from '../../job/inspection.js'
import { RollCall } from './roll-call.js'

const user = userEvent.setup()
const LISTENER: Change = {
  kind: 'unit-fitted',
  body: { id: 'ear', label: 'Listener', sheetId: 'sorrelight-sl-20-b' },
}
const onRoof = (...serials: string[]): Change[] => [
  { kind: 'unit-fitted', body: { id: 'mod', label: 'Modules', sheetId: 'wendlemere-wl-395-a' } },
  { kind: 'unit-fitted', body: { id: 'box', label: 'Devices', sheetId: 'sorrelight-sp-380-c' } },
  {
    kind: 'plane-built',
    body: {
      id: 'p',
      label: 'South',
      unitId: 'mod',
      rows: 1,
      columns: 4,
      orientation: 'portrait',
      gap: 20,
      empty: [],
    },
  },
  {
    kind: 'devices-fitted',
    body: {
      devices: serials.map((serial, i) => ({
        id: `d${i}`,
        unitId: 'box',
        at: `p.r1c${i + 1}`,
        feeds: [`p.r1c${i + 1}`],
        serial,
        idlePorts: 0,
        cappedPorts: 0,
      })),
    },
  },
]

function open(role: 'inspector' | 'reviewer' = 'inspector', ...serials: string[]) {
  openJob([LISTENER, ...onRoof(...serials)], {
    sheets: ['sorrelight-sl-20-b', 'sorrelight-sp-380-c', 'wendlemere-wl-395-a'].map(sampleSheet),
    role,
  })
  const judged = useInspection
    .getState()
    .inspection!.checks.find(({ check }) => check.requirement.kind === 'roll-call')!
  onScreen(<RollCall judged={judged} />, {
    path: '/jobs/:jobId/walk/commission',
    at: '/jobs/j/walk/commission',
  })
}
const read = (value: number | string): PointRead => ({ register: 1, raw: value, exponent: 0, value })
function hears(serials: string[], state: 'connected' | 'lost' = 'connected') {
  const at = new Date().toISOString()
  const points = Object.fromEntries(
    serials.flatMap((serial, i) => [
      [`r${43_010 + 10 * i}`, read(serial)],
      [`r${43_018 + 10 * i}`, read(3)],
    ]),
  )
  const device = {
    id: 'c',
    host: '127.0.0.1',
    port: 502,
    unitId: 1,
    maker: 'A',
    model: 'SL-20',
    serial: 'E-1',
    firmware: '1',
    simulated: true,
  }
  act(() =>
    useLive.setState({
      devices: [{ id: 'c', unitId: 'ear', state, since: at, device, at, points }],
      at,
      silentSince: undefined,
    }),
  )
}
afterEach(() => useLive.setState({ devices: [], at: undefined, silentSince: undefined }))

it('the serials that were heard are taken over by a touch; who is silent stands in words, and on the map', async () => {
  open('inspector', 'SP380261001', 'SP380261002', 'SP380261003')
  hears(['SP380261001', 'SP380261003'])
  await user.click(screen.getByRole('button', { name: 'Take the 2 serials it has heard' }))
  expect(appended()).toEqual([
    { kind: 'serials-reported', body: { unitId: 'ear', serials: ['SP380261001', 'SP380261003'] } },
  ])
  expect(screen.getByText('silent: row 1, place 2')).toBeVisible()
  expect(screen.getByRole('link', { name: 'Show on the array map' })).toHaveAttribute(
    'href',
    '/jobs/j/walk/roof',
  )
})

it('a listener that does not answer any more has heard nothing now, and one that only looks takes nothing over', () => {
  open('inspector', 'SP380261001')
  hears(['SP380261001'], 'lost')
  expect(screen.queryByRole('button', { name: /serials it has heard/ })).toBeNull()
})

it('a reviewer reads what was heard and takes nothing over', () => {
  open('reviewer', 'SP380261001')
  hears(['SP380261001'])
  expect(screen.queryByRole('button', { name: /serials it has heard/ })).toBeNull()
})
