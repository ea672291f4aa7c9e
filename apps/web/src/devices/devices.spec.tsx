/** @jest-environment ./apps/web/src/testing/browser.environment.mjs */
import { act, renderHook, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useInspection } from '../job/inspection.js'
import { streams, streamsOfTests } from '../testing/event-source.testing.js'
import {
  appended,
  asked,
  onScreen,
  openJob,
  refusal,
  sampleSheet,
  serverSays,
  type Change,
} from '../testing/job-on-screen.testing.js'
import { ConnectForm } from './connect-form.js'
import { useListening, useLive } from './live.js'

const user = userEvent.setup()
const SHEET = 'aldervane-ah-8t-c'
const unit = (id: string, label: string, serial: string): Change => ({
  kind: 'unit-fitted',
  body: { id, label, sheetId: SHEET, serial },
})
const FOUND = {
  host: '192.168.1.20',
  port: 1502,
  unitId: 3,
  maker: 'Aldervane',
  model: 'AH-8T',
  serial: 'AH-2',
  firmware: '2.1',
  simulated: false,
}
const ask = async () => user.click(screen.getByRole('button', { name: 'Ask who is there' }))
const type = async (label: string, text: string) => {
  await user.clear(screen.getByLabelText(label))
  await user.type(screen.getByLabelText(label), text)
}

beforeEach(() => {
  streamsOfTests()
  openJob([unit('a', 'Inverter 1', 'AH-1'), unit('b', 'Inverter 2', 'AH-2')], {
    sheets: [sampleSheet(SHEET)],
  })
})

describe('a device is asked before it is connected', () => {
  it('says who it is, is proposed as the unit of its serial, and connected when a person says so', async () => {
    serverSays({ 'POST /api/devices/ask': FOUND })
    onScreen(<ConnectForm />)
    await type('Address', '192.168.1.20')
    await type('Port', '1502')
    await type('Unit id', '3')
    await ask()
    expect(asked.at(-1)!.body).toEqual({ host: '192.168.1.20', port: 1502, address: 3 })
    const said = within(await screen.findByRole('status'))
    expect(said.getByText(/serial AH-2, firmware 2\.1/)).toBeVisible()
    expect(said.getByLabelText('It is')).toHaveValue('b')
    expect(appended()).toEqual([])
    await user.click(said.getByRole('button', { name: 'Connect' }))
    expect(appended()).toMatchObject([
      { kind: 'device-connected', body: { unitId: 'b', host: '192.168.1.20', port: 1502, address: 3 } },
    ])
  })

  it('connected as another unit it is told which serial the record has', async () => {
    serverSays({ 'POST /api/devices/ask': FOUND })
    onScreen(<ConnectForm />)
    await ask()
    const said = within(await screen.findByRole('status'))
    await user.selectOptions(said.getByLabelText('It is'), 'Inverter 1')
    expect(said.getByText('By the record Inverter 1 has the serial AH-1.')).toBeVisible()
  })

  it('whose serial is in no record is nobody’s until somebody says whose', async () => {
    serverSays({ 'POST /api/devices/ask': { ...FOUND, serial: 'XX-9' } })
    onScreen(<ConnectForm />)
    await ask()
    const said = within(await screen.findByRole('status'))
    expect(said.getByLabelText('It is')).toHaveValue('')
    expect(said.getByRole('button', { name: 'Connect' })).toBeDisabled()
  })

  it('where none answers the reason stands there, and what was found before is gone', async () => {
    serverSays({ 'POST /api/devices/ask': FOUND })
    onScreen(<ConnectForm />)
    await ask()
    await screen.findByRole('status')
    serverSays({ 'POST /api/devices/ask': refusal(502, 'no-answer', 'nothing answers at 192.168.1.20:1502') })
    await ask()
    expect(await screen.findByText('nothing answers at 192.168.1.20:1502')).toBeVisible()
    expect(screen.queryByRole('button', { name: 'Connect' })).toBeNull()
  })
})

describe('a range is looked through', () => {
  const open = async () => {
    serverSays({})
    onScreen(<ConnectForm />)
    await user.click(screen.getByText('Look through a range'))
  }
  const look = () => screen.getByRole('button', { name: 'Look' })

  it.each([
    ['From address', 'shed', 'an address in figures, as in 192.168.1.20'],
    ['To address', '127.0.0.0', 'an address in figures, not before the first'],
    ['To port', '15019', 'a number, not below the first'],
    ['To port', 'none', 'a number, not below the first'],
  ])('%s “%s” is told in its field before anything is called', async (label, text, says) => {
    await open()
    await type(label, text)
    expect(screen.getByText(says)).toBeVisible()
    expect(look()).toBeDisabled()
    expect(streams).toEqual([])
  })

  it('tells how far it is and what it found, and what is touched stands in the fields', async () => {
    await open()
    await user.click(look())
    const [stream] = streams
    expect(stream!.address).toContain('from=127.0.0.1')
    act(() => stream!.tell({ asked: 4, of: 21 }))
    expect(screen.getByText('4 of 21 places asked')).toBeVisible()
    act(() => stream!.tell({ asked: 5, of: 21, found: FOUND }))
    act(() => stream!.tell({ done: true }))
    expect(stream!.closed).toBe(true)
    await user.click(screen.getByRole('button', { name: 'Aldervane AH-8T AH-2' }))
    expect(screen.getByLabelText('Address')).toHaveValue('192.168.1.20')
    expect(screen.getByLabelText('It is')).toHaveValue('b')
  })

  it('is stopped at any time, and by leaving', async () => {
    await open()
    await user.click(look())
    act(() => streams[0]!.tell({ asked: 1, of: 21 }))
    await user.click(screen.getByRole('button', { name: 'Stop' }))
    expect(streams[0]!.closed).toBe(true)
    expect(screen.queryByText(/places asked/)).toBeNull()
    await user.click(look())
    expect(streams).toHaveLength(2)
  })

  it('that the office has not allowed says so', async () => {
    await open()
    await user.click(look())
    act(() => streams[0]!.fail())
    expect(screen.getByRole('alert')).toHaveTextContent('networks that the office has allowed')
    expect(look()).toBeEnabled()
  })
})

describe('what devices say', () => {
  const connected: Change = {
    kind: 'device-connected',
    body: { id: 'c', unitId: 'a', host: '127.0.0.1', port: 502, address: 1 },
  }
  const two = () => [renderHook(() => useListening()), renderHook(() => useListening())] as const

  it('is listened to once, however many parts of the screen want it, and no more when the last has gone', () => {
    openJob([unit('a', 'Inverter 1', 'AH-1'), connected], { sheets: [sampleSheet(SHEET)] })
    const [one, other] = two()
    expect(streams).toHaveLength(1)
    expect(streams[0]!.address).toBe('/api/jobs/j/devices/live')
    act(() =>
      streams[0]!.tell({ at: '2026-06-01T08:00:00Z', devices: [{ unitId: 'a', state: 'connected' }] }),
    )
    expect(useLive.getState().devices).toHaveLength(1)
    one.unmount()
    expect(streams[0]!.closed).toBe(false)
    other.unmount()
    expect(streams[0]!.closed).toBe(true)
    expect(useLive.getState().devices).toEqual([])
  })

  it('stays while the line is silent, and says since when', () => {
    openJob([unit('a', 'Inverter 1', 'AH-1'), connected], { sheets: [sampleSheet(SHEET)] })
    const { unmount } = renderHook(() => useListening())
    const device = { unitId: 'a', state: 'connected' }
    act(() => streams[0]!.tell({ at: '2026-06-01T08:00:00Z', devices: [device] }))
    act(() => streams[0]!.fail())
    const since = useLive.getState().silentSince
    expect(since).toBeGreaterThan(0)
    act(() => streams[0]!.fail())
    expect(useLive.getState()).toMatchObject({ silentSince: since, devices: [device] })
    act(() => streams[0]!.tell({ at: '2026-06-01T08:00:09Z', devices: [device] }))
    expect(useLive.getState().silentSince).toBeUndefined()
    unmount()
  })

  it('of a job without a connected device opens no line', () => {
    expect(useInspection.getState().inspection!.state.asBuilt.connections).toEqual([])
    renderHook(() => useListening())
    expect(streams).toEqual([])
  })
})
