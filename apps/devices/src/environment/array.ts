import type { Light } from './sun.js'

/** Equal modules in series on one input. */
export interface StringOfModules {
  input: string
  count: number
  /** At standard test conditions: W, V, V. */
  pmax: number
  vmp: number
  voc: number
}

const POWER_PER_KELVIN = -0.0034
const VOLTAGE_PER_KELVIN = -0.0026
/** Share that dirt, cables and mismatch leave. */
const LEFT = 0.97
const DARK = 20

const warmer = ({ cellTemperature }: Light, perKelvin: number) => 1 + perKelvin * (cellTemperature - 25)

/** What a string can bring at its maximum power point, W. */
export const available = ({ count, pmax }: StringOfModules, light: Light): number =>
  count * pmax * (light.irradiance / 1000) * warmer(light, POWER_PER_KELVIN) * LEFT

/** Voltage of a string, V: open while nothing is drawn, near the maximum power point otherwise. */
export function voltage({ count, vmp, voc }: StringOfModules, light: Light, drawn: boolean): number {
  if (light.irradiance < DARK) return 0
  return count * (drawn ? vmp : voc) * warmer(light, VOLTAGE_PER_KELVIN)
}
