import net from 'node:net'
import { ServerTCP } from 'modbus-serial'
import { line, SOUND_LINE, type LineFaults } from './line.js'

/** Where the open models begin. */
export const BASE = 40_000
const BUSY = 6
const NO_SUCH_REGISTER = 2

/** What a device answers with, asked anew at every request. */
export interface Answers {
  unitId: number
  /** Registers from 40000 on. */
  map(): readonly number[]
  /** Registers elsewhere, by address; undefined where there are none. */
  register?(address: number): number | undefined
  /** Left out by every device: they are only read. */
  write?(address: number, value: number): boolean
  busy(): boolean
}

export interface Serving {
  port: number
  line: LineFaults
  close(): Promise<void>
}

const refusal = (code: number) => Object.assign(new Error('refused'), { modbusErrorCode: code })

/** Serves a device over Modbus TCP on loopback, behind a wire that can be made to fail. */
export async function serve(answers: Answers, host: string, port: number): Promise<Serving> {
  const inner = await startServer(answers, host)
  const faults = { ...SOUND_LINE }
  const wire = line({ host, port: inner.port }, faults)
  await new Promise<void>((resolve, reject) => {
    wire.once('error', reject)
    wire.listen(port, host, resolve)
  })
  const open = new Set<net.Socket>()
  wire.on('connection', (socket) => {
    open.add(socket)
    socket.on('close', () => open.delete(socket))
  })
  return {
    port: (wire.address() as net.AddressInfo).port,
    line: faults,
    async close() {
      for (const socket of open) socket.destroy()
      await new Promise((resolve) => wire.close(resolve))
      await new Promise((resolve) => inner.server.close(resolve))
    },
  }
}

async function startServer(answers: Answers, host: string): Promise<{ server: ServerTCP; port: number }> {
  const port = await freePort(host)
  const read = (address: number, count: number, whole: readonly number[]): number[] =>
    Array.from({ length: count }, (_, i) => {
      const at = address + i
      const value = at >= BASE && at < BASE + whole.length ? whole[at - BASE] : answers.register?.(at)
      if (value === undefined) throw refusal(NO_SUCH_REGISTER)
      return value
    })
  const getMultipleHoldingRegisters = (address: number, count: number): number[] => {
    if (answers.busy()) throw refusal(BUSY)
    return read(address, count, answers.map())
  }
  const getHoldingRegister = (address: number): number => getMultipleHoldingRegisters(address, 1)[0]!
  const setRegister = async (address: number, value: number) => {
    if (!answers.write?.(address, value)) throw refusal(NO_SUCH_REGISTER)
  }
  const server = new ServerTCP(
    { getMultipleHoldingRegisters, getHoldingRegister, setRegister },
    { host, port, unitID: answers.unitId, debug: false },
  )
  server.on('socketError', () => {})
  server.on('serverError', () => {})
  await new Promise((resolve) => server.once('initialized', resolve))
  return { server, port }
}

/** A port that nobody has: the package wants a number and does not tell which one it took. */
async function freePort(host: string): Promise<number> {
  const probe = net.createServer()
  await new Promise<void>((resolve) => probe.listen(0, host, resolve))
  const { port } = probe.address() as net.AddressInfo
  await new Promise((resolve) => probe.close(resolve))
  return port
}
