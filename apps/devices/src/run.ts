import type { Device } from './device.js'
import { SWITCHES, SWITCH_BASE, throwSwitch } from './faults/faults.js'
import { serve, type Serving } from './protocol/serve.js'
import { advance, type Plant } from './site/plant.js'

export interface Running {
  devices: readonly Device[]
  stop(): Promise<void>
}

const TICK_MS = 250

/** Serves every device at its port and lets time pass for their plants, `speed` times as fast as the clock. Port 0 takes a free one. */
export async function run(devices: readonly Device[], host: string, speed: number): Promise<Running> {
  const serving: Serving[] = []
  try {
    for (const device of devices) {
      const one = await serve(answersOf(device), host, device.port)
      device.port = one.port
      // The faults of the line were switched before there was a line.
      device.line = Object.assign(one.line, device.line)
      serving.push(one)
    }
  } catch (problem) {
    await Promise.all(serving.map((one) => one.close()))
    throw problem
  }
  const plants = new Set<Plant>(devices.map(({ plant }) => plant))
  const timer = setInterval(
    () => plants.forEach((plant) => advance(plant, (speed * TICK_MS) / 1000)),
    TICK_MS,
  )
  return {
    devices,
    async stop() {
      clearInterval(timer)
      await Promise.all(serving.map((one) => one.close()))
    },
  }
}

const answersOf = (device: Device) => ({
  unitId: device.unitId,
  map: () => device.map(),
  busy: () => device.claims.busy,
  register(address: number) {
    const known = SWITCHES[address - SWITCH_BASE]
    return known ? Number(device.thrown.has(known.name)) : device.register(address)
  },
  write(address: number, value: number) {
    const known = SWITCHES[address - SWITCH_BASE]
    return known !== undefined && throwSwitch(device, known.name, value === 1)
  },
})
