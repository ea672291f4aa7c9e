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

/** The device answered, and refused: the line itself is sound. */
export class DeviceRefuses extends Error {
  constructor(readonly code: number) {
    super(`the device refuses to answer (exception ${code})`)
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

  private constructor() {}

  static async open({ host, port, address }: DeviceAddress): Promise<ModbusLine> {
    const line = new ModbusLine()
    // Faults of a socket that nobody waits for any more must not end the program.
    line.client.on('error', () => {})
    line.client.setTimeout(ANSWER_MS)
    line.client.setID(address)
    let late: NodeJS.Timeout | undefined
    const tooLate = new Promise<never>((_, reject) => {
      late = setTimeout(() => reject(new Error('no answer to the call')), CONNECT_MS)
    })
    try {
      await Promise.race([line.client.connectTCP(host, { port }), tooLate])
      return line
    } catch (problem) {
      line.close()
      throw problem
    } finally {
      clearTimeout(late)
    }
  }

  async read(from: number, count: number): Promise<number[]> {
    try {
      const { data } = await this.client.readHoldingRegisters(from, count)
      if (data.length !== count) throw new Error(`asked for ${count} registers, ${data.length} came`)
      return data
    } catch (problem) {
      const { modbusCode } = problem as { modbusCode?: number }
      if (modbusCode !== undefined) throw new DeviceRefuses(modbusCode)
      throw problem
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
    this.client.destroy(() => {})
  }
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
