import net from 'node:net'
import { v7 as uuid } from 'uuid'
import { demoPark, run, throwSwitch, type Device, type Running } from '@plumb-mark/devices'
import type { DeviceFound, LiveDevices, ScanStep } from '@plumb-mark/contract'
import { entry, RunningServer, type Caller } from '../testing/running-server.testing.js'

let server: RunningServer
let park: Running
let inspector: Caller
let jobId: string

beforeAll(async () => {
  const devices = demoPark(Date.now)
  for (const device of devices) device.port = 0
  park = await run(devices, '127.0.0.1', 1)
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  const jobs = await inspector.jobs()
  jobId = jobs.find(({ number }) => number === 'PM-2611')!.id
  // The demo is connected to the ports of `npm start`, where nobody is in this test.
  const { body } = await inspector.bundle(jobId)
  const before = body.entries.filter(({ kind }) => kind === 'device-connected')
  if (before.length > 0)
    await inspector.append(
      jobId,
      ...before.map((one) => entry('device-disconnected', { id: (one.body as { id: string }).id })),
    )
})
afterAll(async () => {
  await park.stop()
  await server.stop()
})
afterEach(() => {
  for (const device of park.devices)
    for (const name of ['exceptions', 'line-drops', 'gone', 'slow', 'half-frame', 'other-serial'])
      throwSwitch(device, name, false)
})

const called = (name: string): Device => park.devices.find((device) => device.name === name)!
const placeOf = (name: string) => ({ host: '127.0.0.1', port: called(name).port, address: 1 })

/** Listens to server-sent events until one is what was waited for. */
async function until<T>(path: string, wanted: (event: T) => boolean, caller = inspector): Promise<T[]> {
  const leaving = new AbortController()
  const response = await fetch(`${server.address}${path}`, {
    headers: { cookie: caller.cookie },
    signal: leaving.signal,
  })
  const seen: T[] = []
  let text = ''
  const late = setTimeout(() => leaving.abort(), 20_000)
  try {
    for await (const chunk of response.body!.pipeThrough(new TextDecoderStream())) {
      text += chunk
      const events = text.split('\n\n')
      text = events.pop()!
      for (const one of events) {
        const data = /^data: (.*)$/m.exec(one)?.[1]
        if (!data) continue
        seen.push(JSON.parse(data) as T)
        if (wanted(seen.at(-1)!)) return seen
      }
    }
  } finally {
    clearTimeout(late)
    leaving.abort()
  }
  throw new Error(`not seen: ${String(JSON.stringify(seen.at(-1))).slice(0, 600)}`)
}

async function connect(name: string, unitId: string): Promise<string> {
  const id = uuid()
  const { status } = await inspector.append(
    jobId,
    entry('device-connected', { id, unitId, ...placeOf(name) }),
  )
  expect(status).toBe(200)
  return id
}
const leave = (id: string) => inspector.append(jobId, entry('device-disconnected', { id }))
const live = (wanted: (devices: LiveDevices['devices']) => boolean) =>
  until<LiveDevices>(`/api/jobs/${jobId}/devices/live`, ({ devices }) => wanted(devices))

describe('asking who is there', () => {
  it('a device names maker, model, serial and firmware, and that it is a stand-in', async () => {
    const { body } = await inspector.json<DeviceFound>(
      'POST',
      '/api/devices/ask',
      placeOf('fallowmere-inverter-1'),
    )
    expect(body).toMatchObject({
      maker: 'Aldervane',
      model: 'AH-8T',
      serial: 'AH8T-26-004418',
      firmware: '2.4.1',
      simulated: true,
    })
  })

  it.each([
    ['an address that everybody can reach', { host: '8.8.8.8' }, 403, 'network-not-allowed'],
    [
      'a private network that the office has not allowed',
      { host: '192.168.1.20' },
      403,
      'network-not-allowed',
    ],
    ['a name instead of figures', { host: 'localhost' }, 400, 'invalid'],
    ['nobody there', { port: 1 }, 422, 'no-device'],
  ])('%s is refused with the reason', async (_name, change, status, code) => {
    const answer = await inspector.json<{ error: { code: string } }>('POST', '/api/devices/ask', {
      ...placeOf('fallowmere-meter'),
      ...change,
    })
    expect([answer.status, answer.body.error.code]).toEqual([status, code])
  })

  it('only the office allows networks, and only private ones', async () => {
    const office = await server.signIn('office')
    const wish = { networks: ['127.0.0.0/8', '192.168.7.0/24'] }
    expect((await inspector.call('PUT', '/api/office/networks', wish)).status).toBe(403)
    expect((await office.call('PUT', '/api/office/networks', { networks: ['0.0.0.0/0'] })).status).toBe(400)
    expect((await office.json('PUT', '/api/office/networks', wish)).body).toEqual(wish)
    await office.call('PUT', '/api/office/networks', { networks: ['127.0.0.0/8'] })
  })

  it('a range is scanned with progress, and every device in it found', async () => {
    const ports = park.devices.map(({ port }) => port).sort((a, b) => a - b)
    const first = ports[0]!
    const last = ports.filter((port) => port - first < 200).at(-1)!
    const range = `from=127.0.0.1&to=127.0.0.1&fromPort=${first}&toPort=${last}&address=1`
    const steps = await until<ScanStep>(`/api/devices/scan?${range}`, (step) => 'done' in step)
    const found = steps.flatMap((step) => ('found' in step && step.found ? [step.found.port] : []))
    // Other stand-ins of this machine may stand between.
    expect(found).toEqual(expect.arrayContaining(ports.filter((port) => port <= last)))
    expect(steps.at(-1)).toMatchObject({ done: true, of: last - first + 1 })
  })
})

describe('live values', () => {
  it('what the sheet maps is read once a second with register, raw value and scale, and nothing is ever written', async () => {
    const writes: number[] = []
    const inverter = called('fallowmere-inverter-1')
    const id = await connect('fallowmere-inverter-1', 'inv-1')
    const seen = await live(([device]) => device?.points['r41001'] !== undefined)
    const device = seen.at(-1)!.devices[0]!
    expect(device.device).toMatchObject({ serial: inverter.plate.serial, simulated: true })
    expect(device.points['r41001']).toEqual({ register: 41_001, raw: 80, exponent: 0, value: 80 })
    expect(device.points['124.MinRsvPct']).toMatchObject({ raw: 200, exponent: -1, value: 20 })
    expect(device.points['103.W']!.value).toBeGreaterThan(1000)
    expect(writes).toEqual([])
    expect([...inverter.thrown]).toEqual(['fallback-late'])
    await leave(id)
  })

  it('a line that is lost says since when and why, keeps what was read last, and comes back by itself', async () => {
    const id = await connect('fallowmere-battery-1', 'bat-1')
    const battery = called('fallowmere-battery-1')
    let dropped = false
    const states: string[] = []
    await live(([device]) => {
      if (!device) return false
      if (states.at(-1) !== device.state) states.push(device.state)
      if (device.state === 'connected' && device.at && !dropped)
        dropped = throwSwitch(battery, 'line-drops', true)
      if (device.state === 'lost') {
        expect(device.problem).toBeTruthy()
        expect(Object.keys(device.points)).toContain('r42000')
        throwSwitch(battery, 'line-drops', false)
      }
      return states.includes('lost') && device.state === 'connected'
    })
    expect(states).toContain('lost')
    await leave(id)
  }, 30_000)

  it.each([['half-frame'], ['exceptions'], ['slow'], ['gone']])(
    'with the fault “%s” nothing is made up and the server goes on',
    async (fault) => {
      throwSwitch(called('fallowmere-meter'), fault, true)
      const id = await connect('fallowmere-meter', 'meter-1')
      const seen = await live(([device]) => device?.state === 'lost')
      expect(seen.at(-1)!.devices[0]).toMatchObject({ state: 'lost', points: {} })
      await leave(id)
    },
    30_000,
  )

  it('the lines end when the last listener leaves', async () => {
    const id = await connect('skerry-meter', 'meter-1')
    await live(([device]) => device?.state === 'connected')
    const { port } = called('skerry-meter')
    await new Promise((resolve) => setTimeout(resolve, 500))
    const alone = await new Promise<boolean>((resolve) => {
      const socket = net.connect(port, '127.0.0.1', () => {
        socket.destroy()
        resolve(true)
      })
    })
    expect(alone).toBe(true)
    await leave(id)
  })

  it('an address that two units claim is refused, and so is one of a unit that is not there', async () => {
    const id = await connect('fallowmere-meter', 'meter-1')
    const twice = entry('device-connected', { id: uuid(), unitId: 'inv-1', ...placeOf('fallowmere-meter') })
    expect((await inspector.append(jobId, twice)).body.error!.code).toBe('address-taken')
    const nobody = entry('device-connected', { id: uuid(), unitId: 'nobody', ...placeOf('skerry-meter') })
    expect((await inspector.append(jobId, nobody)).body.error!.code).toBe('unknown-unit')
    await leave(id)
  })
})
