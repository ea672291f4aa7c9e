import type { Device } from './device.js'
import { SWITCHES, throwSwitch } from './faults/faults.js'
import { BASE, serve, type Serving } from './protocol/serve.js'
import { advance, type Plant } from './site/plant.js'

export interface Running {
  devices: readonly Device[]
  stop(): Promise<void>
}

const TICK_MS = 100

/** Serves every device at its port and lets time pass for their plants, `speed` times as fast as the clock. Port 0 takes a free one. */
export async function run(
  devices: readonly Device[],
  host: string,
  speed: number,
  handPort?: number,
): Promise<Running> {
  const serving: Serving[] = []
  try {
    for (const device of devices) {
      const one = await serve(answersOf(device), host, device.port)
      device.port = one.port
      // The faults of the line were switched before there was a line.
      device.line = Object.assign(one.line, device.line)
      serving.push(one)
    }
    if (handPort !== undefined) serving.push(await serve(handOf(devices), host, handPort))
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
  register: (address: number) => device.register(address),
})

/** How many registers of the hand belong to one device. */
const EACH = 100

/** The register of one switch of one device, in the hand's own map. */
export const handRegister = (device: number, name: string): number =>
  BASE + device * EACH + SWITCHES.findIndex((one) => one.name === name)

/**
 * The hand of a person on site: throws the switches of every device over the same protocol, at a port of its own, since a line that is
 * down could not be put up again over itself. The devices themselves take no writes.
 */
const handOf = (devices: readonly Device[]) => ({
  unitId: 1,
  map: () =>
    devices.flatMap(({ thrown }) =>
      Array.from({ length: EACH }, (_, i) =>
        Number(SWITCHES[i] !== undefined && thrown.has(SWITCHES[i].name)),
      ),
    ),
  busy: () => false,
  write(address: number, value: number) {
    const device = devices[Math.floor((address - BASE) / EACH)]
    const known = SWITCHES[(address - BASE) % EACH]
    return device !== undefined && known !== undefined && throwSwitch(device, known.name, value === 1)
  },
})
