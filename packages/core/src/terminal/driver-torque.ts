import { atLeast, atMost } from '../verdict/compare.js'
import { verdictOf } from '../verdict/decision.js'
import { newtonMetres } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { num, object, optional, percent, refine, requireRange, type Read } from '../shape/shape.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'

const torqueRange = refine(
  object({ min: num({ unit: 'N·m', sign: 'magnitude' }), max: num({ unit: 'N·m', sign: 'divisor' }) }),
  requireRange,
)

export const driverTorqueInput = object({
  required: torqueRange,
  driver: object({ tolerancePercent: percent('of the setting, k = 2'), range: torqueRange }),
  set: optional(num({ unit: 'N·m', sign: 'divisor', about: 'what the driver is set to' })),
})
export type DriverTorqueInput = Read<typeof driverTorqueInput>
export interface DriverTorqueResult extends Explained {
  /** Settings at which the whole tolerance stays inside the window, N·m; null when there is none. */
  settings: { min: number; max: number } | null
  verdict: JudgedVerdict
}

/**
 * Can this driver tighten to the sheet's window, and does its setting do it? N·m, percent of the setting; ends included. A setting
 * outside the driver's own range proves nothing. Bad input: a window or range upside down. Source: the guarded decision rule.
 */
export function driverTorque(input: DriverTorqueInput): DriverTorqueResult {
  const { required, driver, set } = driverTorqueInput.read(input, '')
  const part = driver.tolerancePercent / 100
  const low = Math.max(part < 1 ? required.min / (1 - part) : Infinity, driver.range.min)
  const high = Math.min(required.max / (1 + part), driver.range.max)
  const usable = Number.isFinite(low) && atMost(low, high) ? { min: low, max: Math.max(low, high) } : null
  return {
    settings: usable,
    verdict: judge(set, required, driver),
    working: [
      msg`window ${newtonMetres(required.min)} to ${newtonMetres(required.max)}, driver ± ${formatNumber(driver.tolerancePercent)} % from ${newtonMetres(driver.range.min)} to ${newtonMetres(driver.range.max)}`,
      usable
        ? msg`set between ${formatNumber(required.min)} ÷ (1 − ${formatNumber(part, 3)}) and ${formatNumber(required.max)} ÷ (1 + ${formatNumber(part, 3)}): ${newtonMetres(usable.min)} to ${newtonMetres(usable.max)}`
        : 'no setting of this driver is sure to stay inside the window',
      ...(set === undefined
        ? []
        : [
            msg`set to ${newtonMetres(set)}: ${newtonMetres(set * (1 - part))} to ${newtonMetres(set * (1 + part))}`,
          ]),
    ],
    notes: usable ? [] : ['take a finer driver, or one whose range fits'],
  }
}

function judge(
  set: number | undefined,
  { min, max }: DriverTorqueInput['required'],
  { tolerancePercent, range }: DriverTorqueInput['driver'],
): JudgedVerdict {
  if (set === undefined || !atLeast(set, range.min) || !atMost(set, range.max)) return 'not-proven'
  return verdictOf(set, (tolerancePercent / 100) * set, min, max)
}
