import net from 'node:net'
import Modbus from 'modbus-serial'
import type { ModbusRTU } from 'modbus-serial/ModbusRTU.js'
import { demoPark } from '../park.js'
import { handRegister, run, type Running } from '../run.js'
import { throwSwitch } from '../faults/faults.js'
import { model } from './models.js'

const Client = Modbus as unknown as new () => ModbusRTU
let park: Running
let handPort: number

beforeAll(async () => {
  const devices = demoPark(Date.now)
  for (const device of devices) device.port = 0
  handPort = await freePort()
  park = await run(devices, '127.0.0.1', 1, handPort)
})
afterAll(() => park.stop())

async function freePort(): Promise<number> {
  const probe = net.createServer()
  await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve))
  const { port } = probe.address() as net.AddressInfo
  await new Promise((resolve) => probe.close(resolve))
  return port
}

async function asked<T>(port: number, ask: (client: ModbusRTU) => Promise<T>): Promise<T> {
  const client = new Client()
  client.on('error', () => {})
  client.setTimeout(1500)
  client.setID(1)
  await client.connectTCP('127.0.0.1', { port })
  try {
    return await ask(client)
  } finally {
    client.destroy(() => {})
  }
}
const read = (port: number, from: number, count: number) =>
  asked(port, async (client) => (await client.readHoldingRegisters(from, count)).data)
const device = (name: string) => park.devices.find((one) => one.name === name)!

it('a plain client finds the mark, walks the models to the end, and reads who each device is', async () => {
  for (const { port, plate } of park.devices) {
    expect(await read(port, 40_000, 2)).toEqual([0x5375, 0x6e53])
    const models: number[] = []
    let at = 40_002
    for (;;) {
      const [id, length] = (await read(port, at, 2)) as [number, number]
      if (id === 0xffff) break
      models.push(id)
      at += 2 + length
    }
    expect(models[0]).toBe(1)
    const common = await read(port, 40_004, 66)
    const text = (from: number, size: number) =>
      Buffer.from(common.slice(from, from + size).flatMap((word) => [word >> 8, word & 0xff]))
        .toString('utf8')
        .replaceAll('\0', '')
    expect([text(0, 16), text(16, 16), text(32, 8), text(48, 16)]).toEqual([
      plate.maker,
      plate.model,
      'SIMULATED',
      plate.serial,
    ])
  }
})

it.each([
  [1, 66],
  [101, 50],
  [103, 50],
  [120, 26],
  [121, 30],
  [123, 24],
  [124, 24],
  [203, 105],
  [802, 62],
])('model %i is as long as the open specification says: %i registers', (id, length) => {
  expect(model(id, {}).length).toBe(length + 2)
  expect(model(id, {})[1]).toBe(length)
})

it('devices take no writes; only the hand throws switches, at a port of its own', async () => {
  const meter = device('fallowmere-meter')
  await expect(asked(meter.port, (client) => client.writeRegister(40_010, 1))).rejects.toThrow()
  const at = handRegister(park.devices.indexOf(meter), 'load-1')
  await asked(handPort, (client) => client.writeRegister(at, 1))
  expect(meter.thrown.has('load-1')).toBe(true)
  expect(await read(handPort, at, 1)).toEqual([1])
  await asked(handPort, (client) => client.writeRegister(at, 0))
  expect(meter.thrown.has('load-1')).toBe(false)
})

it('a register that is not there is refused with the code of the protocol', async () => {
  await expect(read(device('fallowmere-inverter-1').port, 30_000, 1)).rejects.toMatchObject({ modbusCode: 2 })
})

it.each([
  ['exceptions', { modbusCode: 6 }],
  ['line-drops', {}],
  ['half-frame', {}],
  ['gone', {}],
])('the fault “%s” is felt by a plain client, and gone when it is switched off', async (fault, like) => {
  const one = device('skerry-meter')
  throwSwitch(one, fault, true)
  await expect(read(one.port, 40_000, 2)).rejects.toMatchObject(like)
  throwSwitch(one, fault, false)
  expect(await read(one.port, 40_000, 2)).toEqual([0x5375, 0x6e53])
})

it('claims of another model or serial are claims only', async () => {
  const one = device('skerry-inverter')
  throwSwitch(one, 'other-serial', true)
  throwSwitch(one, 'other-model', true)
  const before = await read(one.port, 40_020, 48)
  throwSwitch(one, 'other-serial', false)
  throwSwitch(one, 'other-model', false)
  expect(await read(one.port, 40_020, 48)).not.toEqual(before)
})

it('a thousand malformed frames crash nothing: a right question is answered afterwards', async () => {
  const { port } = device('juniper-listener')
  let seed = 7
  const byte = () => ((seed = (seed * 1_103_515_245 + 12_345) & 0x7fffffff) >> 16) & 0xff
  for (let i = 0; i < 1000; i++) {
    const right = Buffer.from([0, i & 0xff, 0, 0, 0, 6, 1, 3, 0x9c, 0x40, 0, 2])
    const spoilt = i % 3 === 0 ? Buffer.from(Array.from({ length: 1 + (byte() % 40) }, byte)) : right
    if (i % 3 === 1) for (let n = 0; n < 3; n++) spoilt[byte() % spoilt.length] = byte()
    await new Promise<void>((resolve) => {
      const socket = net.connect(port, '127.0.0.1', () => {
        socket.write(i % 3 === 2 ? right.subarray(0, byte() % right.length) : spoilt, () => socket.destroy())
      })
      socket.on('error', () => {})
      socket.on('close', () => resolve())
    })
  }
  expect(await read(port, 40_000, 2)).toEqual([0x5375, 0x6e53])
}, 60_000)
