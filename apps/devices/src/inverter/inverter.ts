import { available, voltage, type StringOfModules } from '../environment/array.js'
import type { Light } from '../environment/sun.js'
import { chargeOf, limitsOf, run, type Battery } from '../battery/battery.js'
import { allowance, type ExportControl } from './export-control.js'

/** States as the open model numbers them. */
export const STATE = { off: 1, starting: 3, tracking: 4, throttled: 5, fault: 7, standby: 8 } as const
export type State = (typeof STATE)[keyof typeof STATE]

/** Share of the power that comes out on the other side. */
const EFFICIENCY = 0.97
const ISLAND_AFTER = 4

/** 0: off the grid; 5: feeds nothing in; 6: feeds in half at most. */
export type DemandMode = 0 | 5 | 6

export interface Inverter {
  strings: readonly StringOfModules[]
  /** W on the AC side. */
  rated: number
  /** s from release, with light, until it feeds; s that the grid is watched after it came back. */
  startDelay: number
  reconnectWait: number
  released: boolean
  releasedAt: number
  control: ExportControl
  /** What the network operator tells over the demand-response port, as its terminals are marked. */
  demand?: DemandMode | undefined
  /** Its port is wired to nothing: it does as if nobody told it anything. */
  deaf?: boolean | undefined
  battery?: Battery
  state: State
  /** W out of the AC side and, from the strings, into the DC side. */
  acPower: number
  dcPower: number
  /** W lost as heat. */
  losses: number
  /** s at which the backup port got its supply, after the grid went; undefined while it has none of its own. */
  islandedSince?: number
}

/** What an inverter sees around it during one step. */
export interface Around {
  now: number
  dt: number
  light: Light
  grid: { present: boolean; since: number }
  /** Load that this inverter is to cover: its share of the house, or its backup port when the grid is gone, W. */
  share: number
  backup: number
}

/** One step: what it feeds, what its battery does and where the rest goes. dc + battery = ac + losses, always. */
export function step(inverter: Inverter, context: Around): void {
  const { now, light, grid, share, backup } = context
  const sun = inverter.strings.reduce((sum, string) => sum + available(string, light), 0)
  const islanded = !grid.present && inverter.released && now - grid.since >= ISLAND_AFTER
  if (grid.present) delete inverter.islandedSince
  else if (islanded) inverter.islandedSince ??= now
  if (!grid.present) return feed(inverter, context, islanded ? Math.min(backup, inverter.rated) : 0, sun)
  const waited =
    now - grid.since >= inverter.reconnectWait && now - inverter.releasedAt >= inverter.startDelay
  const demand = inverter.deaf ? undefined : inverter.demand
  if (!inverter.released || !waited || demand === 0) {
    inverter.control.output = 0
    feed(inverter, context, 0, sun)
    inverter.state = inverter.released && demand !== 0 ? STATE.starting : STATE.standby
    return
  }
  const wish = Math.max(Math.min(sun * EFFICIENCY, inverter.rated), Math.min(share, inverter.rated))
  const allowed = allowance(inverter.control, context, inverter.rated)
  const told = demand === 5 ? share : demand === 6 ? inverter.rated / 2 : Infinity
  feed(inverter, context, Math.min(wish, allowed, told), sun)
  inverter.state = Math.min(allowed, told) < wish - 1 ? STATE.throttled : STATE.tracking
}

/** Feeds `ac` as far as sun and battery reach; what the sun brings beyond it charges the battery, then the trackers hold back. */
function feed(inverter: Inverter, { dt, grid }: Around, ac: number, sun: number): void {
  const { battery } = inverter
  const { give, take } = battery ? limitsOf(battery, dt, !grid.present) : { give: 0, take: 0 }
  const acPower = Math.min(ac, (sun + give) * EFFICIENCY)
  const needed = acPower / EFFICIENCY
  const fromBattery = needed > sun ? needed - sun : -Math.min(sun - needed, inverter.released ? take : 0)
  if (battery) run(battery, fromBattery, dt)
  inverter.acPower = acPower
  inverter.dcPower = needed - fromBattery
  inverter.losses = needed - acPower
  if (!grid.present) inverter.state = acPower > 0 ? STATE.tracking : STATE.standby
}

/** Voltage and power of each input. */
export function inputsOf(
  inverter: Inverter,
  light: Light,
): { input: string; volts: number; watts: number }[] {
  const sun = inverter.strings.reduce((sum, string) => sum + available(string, light), 0)
  return inverter.strings.map((string) => ({
    input: string.input,
    volts: voltage(string, light, inverter.dcPower > 0),
    watts: sun > 0 ? (inverter.dcPower * available(string, light)) / sun : 0,
  }))
}

export const batteryCharge = ({ battery }: Inverter): number => (battery ? chargeOf(battery) : 0)
