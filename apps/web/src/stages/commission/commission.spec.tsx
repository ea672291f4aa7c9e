/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { act, screen, waitFor, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { LiveDevice } from '@plumb-mark/contract'
import type { PointRead, TraceAnswer } from '@plumb-mark/core'
import { appended, onScreen, openJob, sampleSheet, type Change } from '../../testing/job-on-screen.testing.js'
import { useLive } from '../../devices/live.js'
import { PowerUp } from '../power-up/power-up.js'
import { Commission } from './commission.js'
import { useRecordings } from './recording.js'

const user = userEvent.setup()
const UNIT: Change = {
  kind: 'unit-fitted',
  body: { id: 'inv', label: 'Inverter', sheetId: 'aldervane-ah-8t-c', serial: 'S-1' },
}
const CONNECTED: Change = {
  kind: 'device-connected',
  body: { id: 'c', unitId: 'inv', host: '127.0.0.1', port: 502, address: 1 },
}
const DEVICE = {
  id: 'c',
  host: '127.0.0.1',
  port: 502,
  unitId: 1,
  maker: 'A',
  model: 'AH-8T',
  serial: 'S-1',
  firmware: '2',
  simulated: true,
}
const open = (role: 'inspector' | 'reviewer' = 'inspector') =>
  openJob([UNIT, CONNECTED], { sheets: [sampleSheet('aldervane-ah-8t-c')], role })
const part = (name: string) => within(screen.getByRole('region', { name: `${name}, Inverter` }))
const answers = () =>
  appended().map(
    ({ body }) => body as { answer: Record<string, unknown>; word?: { points: { part: string }[] } },
  )

const read = (value: number | string): PointRead => ({ register: 1, raw: value, exponent: 0, value })
function says(points: Record<string, number | string>, more: Partial<LiveDevice> = {}): void {
  const at = new Date().toISOString()
  const device: LiveDevice = {
    id: 'c',
    unitId: 'inv',
    state: 'connected',
    since: at,
    device: DEVICE,
    at,
    points: Object.fromEntries(Object.entries(points).map(([key, value]) => [key, read(value)])),
    ...more,
  }
  act(() => useLive.setState({ devices: [device], at, silentSince: undefined }))
}

afterEach(() => {
  useLive.setState({ devices: [], at: undefined, silentSince: undefined })
  useRecordings.setState({ of: {} })
})

describe('settings side by side', () => {
  it('are read off the device with one touch, marked as simulated, with where each was read', async () => {
    open()
    onScreen(<Commission />)
    says({ r41000: 1, r41001: -60, r41002: 1 })
    const settings = part('Settings')
    await user.click(settings.getByRole('button', { name: 'Read all from Inverter' }))
    expect(answers().at(-1)!.answer).toMatchObject({
      values: { code: { typed: 'EN 50549-1' }, limit: { typed: '-6' } },
    })
    expect(
      answers()
        .at(-1)!
        .word!.points.map(({ part: one }) => one),
    ).toEqual(['code', 'limit', 'quiet'])
    expect(
      settings.getByText('may draw up to 6 kW from the grid before it raises its own output'),
    ).toBeInTheDocument()
    expect(settings.getByText('simulated')).toBeInTheDocument()
    expect(settings.getAllByText(/^register 41001.*-60/)).not.toEqual([])
  })
  it('what is typed over a reading is the person’s word from then on', async () => {
    open()
    onScreen(<Commission />)
    says({ r41001: -60, r41002: 1 })
    const settings = part('Settings')
    await user.click(settings.getByRole('button', { name: 'Read all from Inverter' }))
    const limit = settings.getByLabelText('export limit as found')
    await user.clear(limit)
    await user.type(limit, '5{Enter}')
    expect(answers().at(-1)!.answer).toMatchObject({ values: { limit: { typed: '5' } } })
    expect(
      answers()
        .at(-1)!
        .word!.points.map(({ part: one }) => one),
    ).toEqual(['quiet'])
  })
  it('who only reads sees them and has no field', () => {
    open('reviewer')
    onScreen(<Commission />)
    expect(part('Settings').queryByRole('textbox')).toBeNull()
    expect(part('Settings').queryByRole('button')).toBeNull()
  })
})

describe('a test with a trace', () => {
  const fallback = () => part('Fallback when the meter goes quiet')
  it('typed moments are judged and kept as a file with what they say', async () => {
    open()
    globalThis.fetch = (async (address: string, { method = 'GET' }: { method?: string } = {}) => {
      if (method !== 'PUT' || !address.startsWith('/api/jobs/j/traces/')) throw new TypeError('no signal')
      return new Response(JSON.stringify({ id: 't', sha256: 'f'.repeat(64), samples: 4, bytes: 90 }))
    }) as typeof fetch
    onScreen(<Commission />)
    await user.click(fallback().getByRole('button', { name: 'Type moments' }))
    await user.type(fallback().getByLabelText(/^Moments/), '0 6000; 10 6000; 55 0; 70 0')
    await user.click(fallback().getByRole('button', { name: 'Take them' }))
    await user.click(await fallback().findByRole('button', { name: 'Save the trace' }))
    await waitFor(() => expect(answers()).toHaveLength(1))
    expect(answers()[0]!.answer as unknown as TraceAnswer).toMatchObject({
      trace: { id: 't', samples: 4, source: 'typed' },
      channel: 'inverter',
      eventAt: 10,
      end: 70,
      by: { limit: 0, tolerance: 100, settleWithin: 10, must: 'stay-under' },
      found: { settledAt: 55, secondsOver: 45, peak: 6000 },
    })
  })
  it('what cannot be sent stays, and says so', async () => {
    open()
    globalThis.fetch = (() => Promise.reject(new TypeError('no signal'))) as typeof fetch
    onScreen(<Commission />)
    await user.click(fallback().getByRole('button', { name: 'Type moments' }))
    await user.type(fallback().getByLabelText(/^Moments/), '0 6000; 10 0')
    await user.click(fallback().getByRole('button', { name: 'Take them' }))
    await user.click(await fallback().findByRole('button', { name: 'Save the trace' }))
    expect(await fallback().findByText(/stays here until it can be sent/)).toBeInTheDocument()
    expect(useRecordings.getState().of['inv/fallback/unit']?.t).toEqual([0, 10])
  })
  it('a live one grows with what the device says, and a device that falls silent is said with its moment', async () => {
    open()
    onScreen(<Commission />)
    says({ '103.W': 6000 })
    await user.click(fallback().getByRole('button', { name: 'Start the trace' }))
    says({ '103.W': 5990 }, { at: new Date(Date.now() + 1000).toISOString() })
    says({ '103.W': 5980 }, { at: new Date(Date.now() + 2000).toISOString() })
    expect(fallback().getByText(/^5980/)).toBeInTheDocument()
    says({ '103.W': 5980 }, { state: 'lost', at: new Date(Date.now() + 2000).toISOString() })
    expect(fallback().getByText(/fell silent at 2 s/)).toBeInTheDocument()
  })
})

describe('powering up with a device that answers', () => {
  it('a step that is seen to be made ticks itself; what stood so before does not', () => {
    open()
    onScreen(<PowerUp />)
    says({ r41014: 0, '103.DCV': 0 })
    expect(answers()).toEqual([])
    says({ r41014: 1, '103.DCV': 0 })
    expect(answers().at(-1)!.answer).toMatchObject({ done: [{ id: 'mains' }] })
    says({ r41014: 1, '103.DCV': 400 })
    expect(answers().at(-1)!.answer).toMatchObject({ done: [{ id: 'mains' }, { id: 'dc' }] })
    expect(
      answers()
        .at(-1)!
        .word!.points.map(({ part: one }) => one),
    ).toEqual(['mains', 'dc'])
  })
  it('a device that stands so already ticks nothing', () => {
    open()
    onScreen(<PowerUp />)
    says({ r41014: 1, '103.DCV': 400 })
    says({ r41014: 1, '103.DCV': 401 })
    expect(answers()).toEqual([])
  })
  it('a code that is read off the device is shown in the maker’s table', async () => {
    open()
    onScreen(<PowerUp />)
    says({ r41015: 31 })
    await user.click(part('Alarm codes').getByRole('button', { name: 'Read from Inverter' }))
    expect(answers().at(-1)!.answer).toEqual({ chosen: '31' })
    expect(part('Alarm codes').getByText('It shows 31.')).toBeInTheDocument()
  })
})
