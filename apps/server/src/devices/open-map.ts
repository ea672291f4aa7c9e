import type { DeviceFound } from '@plumb-mark/contract'
import { MAP_BASE, MAP_END, MAP_MARK, readPoint, type DevicePoint, type Registers } from '@plumb-mark/core'
import type { DeviceAddress, ModbusLine } from './modbus-line.js'

/** No device has more, and one that lies about its lengths must not lead anybody round in circles. */
const MOST_MODELS = 100
const COMMON_SIZE = 68
const SIMULATED = 'SIMULATED'

export class NoOpenMap extends Error {}

/** Where each model begins on a device: its map is walked once, when the line is opened. */
export async function findModels(line: ModbusLine): Promise<ReadonlyMap<number, number>> {
  const mark = await line.read(MAP_BASE, 2)
  if (mark.some((word, i) => word !== MAP_MARK[i])) throw new NoOpenMap()
  const starts = new Map<number, number>()
  let at = MAP_BASE + MAP_MARK.length
  for (let i = 0; i < MOST_MODELS; i++) {
    const [id = MAP_END, length = 0] = await line.read(at, 2)
    if (id === MAP_END) break
    if (!starts.has(id)) starts.set(id, at)
    at += 2 + length
    if (at > 65_000) break
  }
  return starts
}

const COMMON = ['Mn', 'Md', 'Opt', 'Vr', 'SN'].map((point) => ({ model: 1, point }) as DevicePoint)

/** Who a device says it is. */
export async function nameOf(
  line: ModbusLine,
  models: ReadonlyMap<number, number>,
  { host, port, address }: DeviceAddress,
): Promise<DeviceFound> {
  const start = models.get(1)
  if (start === undefined) throw new NoOpenMap()
  const words = await line.read(start, COMMON_SIZE)
  const registers = registersFrom(models, new Map(words.map((word, i) => [start + i, word])))
  const [maker, model, options, firmware, serial] = COMMON.map((point) =>
    String(readPoint(point, registers)?.value ?? ''),
  ) as [string, string, string, string, string]
  return { host, port, unitId: address, maker, model, serial, firmware, simulated: options === SIMULATED }
}

export const registersFrom = (
  models: ReadonlyMap<number, number>,
  words: ReadonlyMap<number, number>,
): Registers => ({ startOf: (model) => models.get(model), at: (register) => words.get(register) })
