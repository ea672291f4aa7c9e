import { parseQuantity, railMarks as marks } from '@plumb-mark/core'

/** The window of a check of a reading inside limits, canonical. */
export function limitsWindow({ requirement: { window, min, max, dimension }, subject }) {
  if (window) return subject.terminal[window]
  const value = (text) => (text === undefined ? undefined : parseQuantity(text, dimension).quantity.value)
  return { min: value(min), max: value(max) }
}

/** What a right string reads, V. The reference is worked out here, not asked of the calculator that judges it. */
export function stringVoltage({ count, module }, { cellTemperature, irradiance }) {
  const { voc, vocTempCoeff, cellsInSeries } = module
  const light = cellsInSeries * 1.2 * 8.617333e-5 * (cellTemperature + 273.15) * Math.log(irradiance / 1000)
  return count * (voc * (1 + (vocTempCoeff / 100) * (cellTemperature - 25)) + light)
}

export const railMarks = ({ columns, gap }, { firstOffset = 0 }) =>
  marks({ moduleWidth: 1134, gap, count: columns, firstOffset }).marks
