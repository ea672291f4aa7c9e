import { hear, type Reporting } from '../electronics/devices.js'
import { step as stepInverter, type Inverter } from '../inverter/inverter.js'
import { tell } from '../inverter/export-control.js'
import type { Grid } from '../environment/grid.js'
import { drawn, sum, type Load } from '../environment/loads.js'
import { lightOf } from '../environment/sun.js'
import { meterReadings, type Transformer } from '../meter/meter.js'

/** One site: everything behind one connection to the street. */
export interface Plant {
  name: string
  /** s on its own clock, and the second of the day at which that clock began. */
  now: number
  beganAt: number
  /** Share of the light that is covered. */
  shade: number
  /** Voltage to neutral, and how many phases there are. */
  phases: number
  grid: Grid
  loads: Load[]
  inverters: Inverter[]
  transformers: Transformer[]
  /** Is the data lead between meter and inverters plugged? */
  dataLead: boolean
  boxes: Reporting[]
  /** Every conductor at the connection, W taken from the street, by phase. */
  fromGrid: number[]
}

export const STEP = 0.25

/** Goes on by `seconds`, in steps of a quarter of a second. What is fed, drawn, stored and lost balances at each. */
export function advance(plant: Plant, seconds: number): void {
  for (let left = seconds; left > 1e-9; left -= STEP) stepOnce(plant, Math.min(STEP, left))
}

function stepOnce(plant: Plant, dt: number): void {
  plant.now += dt
  const { now, grid, loads, phases, inverters } = plant
  const light = lightOf(plant)
  const all = sum(drawn(loads, phases))
  const backup = sum(drawn(loads, phases, 'backed-up'))
  for (const inverter of inverters)
    stepInverter(inverter, {
      now,
      dt,
      light,
      grid,
      share: all / inverters.length,
      backup: backup / inverters.length,
    })
  const fed = sum(inverters.map(({ acPower }) => acPower)) / phases
  plant.fromGrid = grid.present ? drawn(loads, phases).map((watts) => watts - fed) : Array(phases).fill(0)
  const told = meterReadings(plant)
  if (plant.dataLead)
    for (const { control } of inverters) tell(control, now, -sum(told.map(({ watts }) => watts)))
  hear(plant.boxes, now, light.irradiance)
}
