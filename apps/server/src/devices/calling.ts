import { setTimeout as sleep } from 'node:timers/promises'
import type { DeviceFound } from '@plumb-mark/contract'
import { lineWords } from './line-words.js'
import { ModbusLine, type DeviceAddress } from './modbus-line.js'
import { findModels, nameOf } from './open-map.js'
import { isOwnMachine } from './own-machine.js'

/** A whole conversation with somebody who may be no device at all. */
const MOST_MS = 10_000
/** On the server's own machine every failure takes as long: neither words nor time tell which of its ports are open. */
const OWN_MACHINE_MS = 1000

export interface Called {
  line: ModbusLine
  models: ReadonlyMap<number, number>
  found: DeviceFound
}

/** Nobody answered, or no device; `message` says it for a person. */
export class NoDevice extends Error {}

/** Calls a device and asks who it is; whoever is done closes the line. Rejects with `NoDevice`; ends with the signal. */
export async function call(at: DeviceAddress, gone: AbortSignal): Promise<Called> {
  const own = isOwnMachine(at.host)
  const least = own ? sleep(OWN_MACHINE_MS) : undefined
  // The limit is of the calling alone: a line that is up is kept by whoever called.
  const limit = new AbortController()
  const late = setTimeout(
    () => limit.abort(new DOMException('', 'TimeoutError')),
    own ? OWN_MACHINE_MS : MOST_MS,
  )
  let line: ModbusLine | undefined
  try {
    line = await ModbusLine.open(at, AbortSignal.any([gone, limit.signal]))
    const models = await findModels(line)
    return { line, models, found: await nameOf(line, models, at) }
  } catch (problem) {
    line?.close()
    await least
    throw new NoDevice(own ? 'no device answers there' : lineWords(problem as Error))
  } finally {
    clearTimeout(late)
  }
}
