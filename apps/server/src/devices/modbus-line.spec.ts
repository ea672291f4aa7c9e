import net from 'node:net'
import { demoPark, run, type Running } from '@plumb-mark/devices'
import { ModbusLine, together } from './modbus-line.js'
import { findModels, nameOf } from './open-map.js'

const HOST = '127.0.0.1'

async function listening(serve: (socket: net.Socket) => void): Promise<{ port: number; close: () => void }> {
  const server = net.createServer(serve)
  await new Promise<void>((resolve) => server.listen(0, HOST, resolve))
  return { port: (server.address() as net.AddressInfo).port, close: () => server.close() }
}

it('registers that lie close are asked for together, never more than an answer can hold', () => {
  expect(together([5, 3, 4, 4])).toEqual([{ from: 3, count: 3 }])
  expect(together([0, 10, 40])).toEqual([
    { from: 0, count: 11 },
    { from: 40, count: 1 },
  ])
  const many = together(Array.from({ length: 1000 }, (_, i) => i))
  expect(Math.max(...many.map(({ count }) => count))).toBeLessThanOrEqual(120)
  expect(many.reduce((sum, { count }) => sum + count, 0)).toBe(1000)
})

describe('on the wire', () => {
  let park: Running
  beforeAll(async () => {
    const devices = demoPark(Date.now).slice(0, 1)
    for (const device of devices) device.port = 0
    park = await run(devices, HOST, 1)
  })
  afterAll(() => park.stop())

  it('nothing but the reading of holding registers is ever asked', async () => {
    const functions = new Set<number>()
    const wire = await listening((asking) => {
      const device = net.connect(park.devices[0]!.port, HOST)
      asking.on('data', (asked) => {
        for (let at = 0; at + 8 <= asked.length; at += 6 + asked.readUInt16BE(at + 4))
          functions.add(asked[at + 7]!)
        device.write(asked)
      })
      device.on('data', (answer) => asking.write(answer))
      for (const one of [asking, device])
        one.on('error', () => {}).on('close', () => (asking.destroy(), device.destroy()))
    })
    const at = { host: HOST, port: wire.port, address: 1 }
    const line = await ModbusLine.open(at)
    const models = await findModels(line)
    expect(await nameOf(line, models, at)).toMatchObject({ model: 'AH-8T', simulated: true })
    const words = await line.readAll([41_000, 41_001, 41_500, models.get(103)! + 14])
    expect([...words.keys()].sort()).toEqual([models.get(103)! + 14, 41_000, 41_001])
    line.close()
    wire.close()
    expect([...functions]).toEqual([3])
  })
})

it('a thousand malformed answers crash nothing and make nothing up', async () => {
  let seed = 11
  const byte = () => ((seed = (seed * 1_103_515_245 + 12_345) & 0x7fffffff) >> 16) & 0xff
  const liar = await listening((socket) => {
    socket.on('error', () => {})
    socket.once('data', (asked) => {
      const kind = byte() % 4
      const noise = Buffer.from(Array.from({ length: 1 + (byte() % 60) }, byte))
      // Noise, the right head with noise, a length that lies, an answer to another question.
      if (kind === 0) socket.write(noise)
      if (kind === 1) socket.write(Buffer.concat([asked.subarray(0, 8), noise]))
      if (kind === 2) socket.write(Buffer.concat([asked.subarray(0, 4), Buffer.from([0xff, 0xff]), noise]))
      if (kind === 3) socket.write(Buffer.from([9, 9, 0, 0, 0, 7, 1, 3, 4, 0x53, 0x75, 0x6e, 0x53]))
      setTimeout(() => socket.destroy(), 20)
    })
  })
  const one = async () => {
    const line = await ModbusLine.open({ host: HOST, port: liar.port, address: 1 })
    try {
      return await findModels(line)
    } catch {
      return undefined
    } finally {
      line.close()
    }
  }
  const found: unknown[] = []
  for (let i = 0; i < 10; i++) found.push(...(await Promise.all(Array.from({ length: 100 }, one))))
  liar.close()
  expect(found).toHaveLength(1000)
  expect(found.filter((models) => models !== undefined)).toEqual([])
}, 60_000)

it('nobody at all is said in time', async () => {
  const before = Date.now()
  await expect(ModbusLine.open({ host: HOST, port: 1, address: 1 })).rejects.toThrow()
  expect(Date.now() - before).toBeLessThan(2500)
})
