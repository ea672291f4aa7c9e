import net from 'node:net'
import Modbus from 'modbus-serial'
import type { ModbusRTU } from 'modbus-serial/ModbusRTU.js'

// The package is older than modules: what its types call the default export is the package itself.
const Client = Modbus as unknown as new () => ModbusRTU

const CONNECT_MS = 2000
const ANSWER_MS = 2000
/** As many as one answer of the protocol can hold. */
const MOST_AT_ONCE = 120
/** Registers between two that are wanted: fewer than this are read along, since a question costs more than they do. */
const GAP = 12
/** An answer has at most 260 bytes; whoever sends this many for one question is no device, and is not listened to. */
const FLOOD_BYTES = 4096

/** The device answered, and refused: the line itself is sound. */
export class DeviceRefuses extends Error {
  constructor(readonly code: number) {
    super(`the device refuses to answer (exception ${code})`)
  }
}

/** What went wrong on the line, by a code that is put into words in one place. */
export class LineFault extends Error {
  constructor(readonly code: 'no-answer' | 'flood' | 'closed' | 'not-modbus' | 'too-long' | 'called-off') {
    super(code)
  }
}

export interface DeviceAddress {
  host: string
  port: number
  address: number
}

/** One line to one device, over which holding registers are read and nothing is ever written. */
export class ModbusLine {
  private readonly client = new Client()
  private received = 0
  /** Why the line is down, once it is. */
  private fault: Error | undefined
  private tellFault: (fault: Error) => void = () => {}
  private readonly down = new Promise<never>((_, reject) => (this.tellFault = reject))

  private constructor(private readonly socket: net.Socket) {
    // Faults of a line that nobody waits for any more must not end the program.
    this.down.catch(() => undefined)
    this.client.on('error', () => {})
    socket.on('error', (problem) => this.end(problem))
    socket.on('close', () => this.end(new LineFault('closed')))
    // Before whoever puts answers together: what floods the line is never put together.
    socket.on('data', (bytes) => {
      this.received += bytes.length
      if (this.received > FLOOD_BYTES) this.end(new LineFault('flood'))
    })
  }

  /** Rejects with what the system says, or a `LineFault`; ends with the signal, also later. */
  static async open({ host, port, address }: DeviceAddress, signal?: AbortSignal): Promise<ModbusLine> {
    const socket = net.connect({ host, port, noDelay: true })
    const line = new ModbusLine(socket)
    const late = setTimeout(() => line.end(new LineFault('no-answer')), CONNECT_MS)
    signal?.addEventListener('abort', () => line.end(faultOf(signal)), { once: true })
    if (signal?.aborted) line.end(faultOf(signal))
    try {
      await Promise.race([new Promise((resolve) => socket.once('connect', resolve)), line.down])
      line.client.setTimeout(ANSWER_MS)
      line.client.setID(address)
      await Promise.race([line.client.linkTCP(socket, { port }), line.down])
      return line
    } catch (problem) {
      line.close()
      throw problem
    } finally {
      clearTimeout(late)
    }
  }

  async read(from: number, count: number): Promise<number[]> {
    this.received = 0
    try {
      const asked = this.client.readHoldingRegisters(from, count)
      asked.catch(() => undefined)
      const { data } = await Promise.race([asked, this.down])
      if (data.length !== count) throw new LineFault('not-modbus')
      return data
    } catch (problem) {
      throw this.asOurs(problem)
    }
  }

  /** Those of the registers that the device gives; what it refuses is left out. */
  async readAll(registers: readonly number[]): Promise<Map<number, number>> {
    const found = new Map<number, number>()
    for (const { from, count } of together(registers)) {
      const words = await this.read(from, count).catch((problem: unknown) => {
        // Neighbours may be missing where the wanted ones are there: those are asked for one by one.
        if (problem instanceof DeviceRefuses) return undefined
        throw problem
      })
      if (words) words.forEach((word, i) => found.set(from + i, word))
      else if (count > 1)
        for (const register of registers.filter((one) => one >= from && one < from + count)) {
          const word = await this.read(register, 1).catch((problem: unknown) => {
            if (problem instanceof DeviceRefuses) return undefined
            throw problem
          })
          if (word) found.set(register, word[0]!)
        }
    }
    return found
  }

  close(): void {
    this.end(new LineFault('closed'))
  }

  private end(fault: Error): void {
    this.fault ??= fault
    this.tellFault(this.fault)
    this.socket.destroy()
  }

  /** What the package that speaks the protocol says, as one of our own faults. */
  private asOurs(problem: unknown): Error {
    if (this.fault) return this.fault
    if (problem instanceof LineFault) return problem
    const {
      modbusCode,
      errno,
      message = '',
    } = problem as { modbusCode?: number; errno?: string; message?: string }
    if (modbusCode !== undefined) return new DeviceRefuses(modbusCode)
    if (errno === 'ETIMEDOUT' || /timed out/i.test(message)) return new LineFault('no-answer')
    if (/not open/i.test(message)) return new LineFault('closed')
    return new LineFault('not-modbus')
  }
}

function faultOf({ reason }: AbortSignal): LineFault {
  if (reason instanceof LineFault) return reason
  return new LineFault((reason as Error).name === 'TimeoutError' ? 'too-long' : 'called-off')
}

/** Registers in as few questions as can be. */
export function together(registers: readonly number[]): { from: number; count: number }[] {
  const ranges: { from: number; count: number }[] = []
  for (const register of [...new Set(registers)].sort((a, b) => a - b)) {
    const last = ranges.at(-1)
    const count = last ? register - last.from + 1 : 0
    if (last && register - (last.from + last.count) < GAP && count <= MOST_AT_ONCE) last.count = count
    else ranges.push({ from: register, count: 1 })
  }
  return ranges
}
