import { formatNumber } from '../quantity/phrases.js'
import { atMost } from '../verdict/compare.js'
import { BadInput } from '../shape/bad-input.js'
import { num, object, optional, percent, refine, type Read } from '../shape/shape.js'
import type { Explained } from '../verdict/verdict.js'

const efficiency = refine(num({ max: 1, about: 'above 0, at most 1' }), (value, path) => {
  if (value <= 0) throw new BadInput('out-of-range', path, 'must be above 0 and at most 1')
})

export const reserveInput = object({
  capacityKwh: num({ unit: 'kWh', sign: 'magnitude' }),
  reservePercent: percent('of the capacity kept for an outage'),
  loadKw: num({ unit: 'kW', sign: 'divisor' }),
  inverterKw: num({ unit: 'kW', sign: 'magnitude', about: 'rating of the backup output' }),
  efficiency: optional(efficiency, 0.95),
})

export type ReserveInput = Omit<Read<typeof reserveInput>, 'efficiency'> & { efficiency?: number }
export interface ReserveResult extends Explained {
  usableKwh: number
  hours: number
  overloaded: boolean
}

/**
 * How long does the backup reserve last? kWh, kW, hours. It informs the handover and judges nothing; a load exactly at the rating is
 * no overload. Bad input: no load, a percentage outside 0–100, an efficiency outside (0, 1]. Source: energy divided by power.
 */
export function reserve(input: ReserveInput): ReserveResult {
  const { capacityKwh, reservePercent, loadKw, inverterKw, efficiency: kept } = reserveInput.read(input, '')
  const usableKwh = ((capacityKwh * reservePercent) / 100) * kept
  const overloaded = !atMost(loadKw, inverterKw)
  return {
    usableKwh,
    overloaded,
    hours: usableKwh / loadKw,
    working: [
      `${formatNumber(capacityKwh)} kWh × ${formatNumber(reservePercent)} % × ${formatNumber(kept, 3)} = ${formatNumber(usableKwh, 3)} kWh`,
      `${formatNumber(usableKwh, 3)} kWh ÷ ${formatNumber(loadKw, 3)} kW = ${formatNumber(usableKwh / loadKw)} h`,
    ],
    notes: [
      'a cold or aged battery holds less',
      ...(overloaded
        ? [
            `${formatNumber(loadKw, 3)} kW is more than the ${formatNumber(inverterKw, 3)} kW the inverter can give: shed load first`,
          ]
        : []),
    ],
  }
}
