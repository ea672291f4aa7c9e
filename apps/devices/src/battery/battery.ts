/** A battery behind an inverter. Energies in Wh, powers in W, shares in per cent; power out of it is positive. */
export interface Battery {
  capacity: number
  stored: number
  maxCharge: number
  maxDischarge: number
  /** Not discharged below this while the grid is there. */
  floor: number
  /** Charged from whatever there is when below this. */
  forcedCharge: number
  power: number
}

export const chargeOf = ({ stored, capacity }: Battery): number => (100 * stored) / capacity

/** What it can give and take during the next `dt` seconds; the floor holds with the grid, and not without. */
export function limitsOf(battery: Battery, dt: number, islanded: boolean): { give: number; take: number } {
  const { stored, capacity, maxCharge, maxDischarge, floor } = battery
  const usable = Math.max(0, stored - (islanded ? 0 : (floor / 100) * capacity))
  return {
    give: Math.min(maxDischarge, (usable * 3600) / dt),
    take: Math.min(maxCharge, ((capacity - stored) * 3600) / dt),
  }
}

/** Moves the energy of one step; what goes in and out is what was asked for, within the limits. */
export function run(battery: Battery, power: number, dt: number): void {
  battery.power = power
  battery.stored = Math.min(battery.capacity, Math.max(0, battery.stored - (power * dt) / 3600))
}
