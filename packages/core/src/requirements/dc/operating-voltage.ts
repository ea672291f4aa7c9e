import type { ModuleAt } from '../../as-built/module-lookup.js'

const STANDARD_CELL = 25

/** The voltage of a string at the maximum power point, V: at standard cells, in full sun, and on the coldest morning. */
export interface OperatingVoltage {
  standard: number
  hot: number
  /** Undefined while the coldest morning of the site is not known. */
  cold: number | undefined
}

/**
 * What a string gives at its maximum power point: the sum of its modules, each by the voltage and the coefficient (%/K) of its own
 * sheet. Cells in °C. Undefined where a module on the way is not known, or its sheet does not say. Source: IEC 62548, matching the array
 * to the input of the inverter.
 */
export function operatingVoltage(
  modules: readonly (ModuleAt | undefined)[],
  { hottestCell, coldest }: { hottestCell: number; coldest: number | undefined },
): OperatingVoltage | undefined {
  const known = modules.flatMap((module) =>
    module?.data?.vmp !== undefined && module.data.vmpTempCoeff !== undefined
      ? [{ vmp: module.data.vmp, perDegree: module.data.vmpTempCoeff / 100 }]
      : [],
  )
  if (known.length === 0 || known.length < modules.length) return undefined
  const at = (cell: number) =>
    known.reduce((sum, { vmp, perDegree }) => sum + vmp * (1 + perDegree * (cell - STANDARD_CELL)), 0)
  return {
    standard: at(STANDARD_CELL),
    hot: at(hottestCell),
    cold: coldest === undefined ? undefined : at(coldest),
  }
}
