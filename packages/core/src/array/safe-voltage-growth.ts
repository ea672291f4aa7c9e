import { volts } from '../quantity/figure.js'
import { msg } from '../quantity/message.js'
import { safeVoltage, type SafeVoltageResult } from './safe-voltage.js'

export interface SafeVoltageGrowth extends SafeVoltageResult {
  /** The unit, from 1, whose plugging did not raise the voltage by its step; undefined when each did. */
  gapAt: number | undefined
}

/**
 * The safe voltage of a string, read again after each unit was plugged; V, signed, the first reading with one unit. The last reading is
 * judged as it stands; the first step that raises the voltage by less than half a unit's share points at the likely gap.
 * Bad input: what `safeVoltage` refuses, an empty list. Source: series connection of equal sources, one added at a time.
 */
export function safeVoltageGrowth({
  perUnit,
  perUnitTolerance,
  readings,
  uncertainty,
}: {
  perUnit: number
  perUnitTolerance: number
  readings: readonly number[]
  uncertainty: number
}): SafeVoltageGrowth {
  const last = safeVoltage({
    perUnit,
    perUnitTolerance,
    count: readings.length,
    measured: { value: readings.at(-1) ?? Number.NaN, uncertainty },
  })
  const steps = readings.map((value, i) => Math.abs(value) - Math.abs(readings[i - 1] ?? 0))
  const gap = steps.findIndex((step) => step < perUnit / 2)
  return {
    ...last,
    gapAt: gap < 0 ? undefined : gap + 1,
    working: [
      ...last.working,
      ...steps.map((step, i) => msg`unit ${i + 1}: ${step < 0 ? '−' : '+'}${volts(Math.abs(step))}`),
    ],
  }
}
