import { demoPark, run, throwSwitch, type Device, type Running } from '@plumb-mark/devices'
import {
  changeByKnownLoad,
  ctPhasing,
  meant,
  readPoint,
  traceFacts,
  type ChannelAt,
  type DevicePoint,
} from '@plumb-mark/core'
import { ModbusLine } from './modbus-line.js'
import { findModels, registersFrom } from './open-map.js'

const HOST = '127.0.0.1'
/** Time passes thirty times as fast: a fallback of 45 s takes a second and a half. */
const SPEED = 30
let park: Running

beforeAll(async () => {
  const devices = demoPark(Date.now)
  for (const device of devices) device.port = 0
  park = await run(devices, HOST, SPEED)
})
afterAll(() => park.stop())

const device = (name: string): Device => park.devices.find((one) => one.name === name)!
const point = (said: object) => said as DevicePoint

async function reader(name: string) {
  const line = await ModbusLine.open({ host: HOST, port: device(name).port, address: 1 })
  const models = await findModels(line)
  return {
    line,
    async figure(model: number, name_: string): Promise<number> {
      const start = models.get(model)!
      const words = await line.read(start, 60)
      const registers = registersFrom(models, new Map(words.map((word, i) => [start + i, word])))
      return Number(readPoint(point({ model, point: name_ }), registers)!.value)
    },
  }
}

it('the fallback of the pump house that comes late is seen on the trace', async () => {
  const { line, figure } = await reader('fallowmere-inverter-1')
  const t: number[] = []
  const values: number[] = []
  // The site's own clock: a busy machine may let it go slower, never wrong.
  const { plant } = device('fallowmere-inverter-1')
  const began = plant.now
  const now = () => plant.now - began
  let eventAt = 0
  while (now() < 80) {
    if (eventAt === 0 && now() > 5) {
      throwSwitch(device('fallowmere-meter'), 'data-lead-out', true)
      eventAt = now()
    }
    const value = await figure(103, 'W')
    if (now() > (t.at(-1) ?? -1)) {
      t.push(now())
      values.push(value)
    }
  }
  throwSwitch(device('fallowmere-meter'), 'data-lead-out', false)
  line.close()
  const { settledAt } = traceFacts({ t, values }, eventAt, {
    limit: 0,
    tolerance: 100,
    settleWithin: 10,
    must: 'stay-under',
  })
  expect(settledAt! - eventAt).toBeGreaterThan(38)
  expect(settledAt! - eventAt).toBeLessThan(55)
}, 30_000)

it('two transformers that sit on each other’s phase are named as soon as known loads were switched', async () => {
  const meter = device('fallowmere-meter')
  const { line, figure } = await reader('fallowmere-meter')
  const channels = async (): Promise<ChannelAt[]> =>
    Promise.all(
      ['A', 'B', 'C'].map(async (phase) => ({
        voltage: await figure(203, `PhVph${phase}`),
        active: await figure(203, `Wph${phase}`),
        reactive: await figure(203, `VARph${phase}`),
      })),
    )
  // Between the two moments the light and the inverters stay as they are, but for what noon moves.
  throwSwitch(meter, 'released', false)
  await new Promise((resolve) => setTimeout(resolve, 400))
  const before = await channels()
  for (const load of ['load-1', 'load-2', 'load-3']) throwSwitch(meter, load, true)
  await new Promise((resolve) => setTimeout(resolve, 400))
  const change = changeByKnownLoad(before, await channels(), [2000, 3000, 1500])!
  line.close()
  const { status, fix } = ctPhasing({
    voltages: change.map(({ voltage }, i) => ({ magnitude: voltage, angle: -120 * i })),
    truth: change.map(({ load }) => ({ p: load, q: 0 })),
    readings: change.map(({ active, reactive }) => ({ p: active, q: reactive })),
    uncertainty: 40,
  })
  expect([status, fix]).toEqual(['identified', ['swap the transformers of channels 2 and 3']])
})

it('the limit that is set with the wrong sign is read as what it does', async () => {
  const { line } = await reader('fallowmere-inverter-2')
  const [raw] = await line.read(41_001, 1)
  line.close()
  const limit = point({ register: 41_001, type: 's16', scale: 0.1 })
  const read = readPoint(limit, { startOf: () => undefined, at: () => raw })!
  expect(meant(limit, read.value, '2026-06-01T08:00:00Z')).toBe(-8)
})

it('the box of the canopy that was never heard is missing from the roll-call, the others are there', async () => {
  const { line } = await reader('juniper-listener')
  expect(await line.read(43_000, 3)).toEqual([22, 21, 21])
  line.close()
})
