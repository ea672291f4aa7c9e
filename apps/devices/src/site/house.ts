import type { Inverter } from '../inverter/inverter.js'
import type { Plant } from './plant.js'

const TEN_O_CLOCK = 10 * 3600
const NOON = 12 * 3600

/** A site as it stands at the beginning: a load on each phase that is always on, and a test load on each that a hand can switch. */
export function house(
  name: string,
  phases: number,
  volts: number,
  inverters: Inverter[],
  base: number[],
): Plant {
  return {
    name,
    now: 0,
    beganAt: phases === 3 ? NOON : TEN_O_CLOCK,
    shade: 0,
    phases,
    grid: { present: true, since: -3600, volts, hertz: phases === 2 ? 60 : 50 },
    loads: [
      ...base.map((watts, phase) => ({ name: 'house', phase, watts, on: true, backedUp: phase === 0 })),
      ...[2000, 3000, 1500]
        .slice(0, phases)
        .map((watts, phase) => ({ name: 'test', phase, watts, on: false })),
    ],
    inverters,
    transformers: Array.from({ length: phases }, (_, on) => ({ on, turned: false })),
    dataLead: true,
    boxes: [],
    fromGrid: Array(phases).fill(0),
  }
}
