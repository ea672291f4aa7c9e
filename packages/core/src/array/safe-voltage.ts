import { verdictOf, uncertaintyField } from '../verdict/decision.js'
import { wholeBelow } from '../verdict/compare.js'
import { volts } from '../quantity/figure.js'
import { plural } from '../quantity/phrases.js'
import { msg, type Message } from '../quantity/message.js'
import { count, num, object } from '../shape/shape.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'

export const safeVoltageInput = object({
  perUnit: num({ unit: 'V', sign: 'divisor', about: 'low voltage that one unit holds until released' }),
  perUnitTolerance: num({ unit: 'V', sign: 'magnitude' }),
  count: count('units on the string'),
  measured: object({ value: num({ unit: 'V', about: 'signed' }), uncertainty: uncertaintyField('V') }),
})

export interface SafeVoltageInput {
  perUnit: number
  perUnitTolerance: number
  count: number
  measured: { value: number; uncertainty?: number | undefined }
}
export interface SafeVoltageResult extends Explained {
  /** V */
  expected: number
  unitsSeen: number
  /** Negative when more show than were fitted. */
  unitsMissing: number
  reversed: boolean
  verdict: JudgedVerdict
}

/**
 * Does a string of module-level converters show the sum of their safe voltages? V. Leads are reversed when the reading is negative
 * by more than its uncertainty, which never conforms; a number of units other than fitted is at best not proven.
 * Source: series connection of equal sources, each within its tolerance.
 */
export function safeVoltage(input: SafeVoltageInput): SafeVoltageResult {
  const { perUnit, perUnitTolerance, count: units, measured } = safeVoltageInput.read(input, '')
  const size = Math.abs(measured.value)
  const expected = units * perUnit
  const spread = units * perUnitTolerance
  const unitsSeen = wholeBelow(size / perUnit + 0.5)
  const unitsMissing = units - unitsSeen
  const reversed = measured.value < -measured.uncertainty
  return {
    expected,
    unitsSeen,
    unitsMissing,
    reversed,
    verdict: judge(
      verdictOf(size, measured.uncertainty, expected - spread, expected + spread),
      reversed,
      unitsMissing,
    ),
    working: [
      msg`${units} × ${volts(perUnit)} = ${volts(expected)}, give or take ${units} × ${volts(perUnitTolerance)} = ${volts(spread)}`,
      msg`${volts(size)} ÷ ${volts(perUnit)} = about ${plural(unitsSeen, 'unit')} of ${units}`,
    ],
    notes: notesFor(reversed, unitsMissing, units),
  }
}

function judge(verdict: JudgedVerdict, reversed: boolean, unitsMissing: number): JudgedVerdict {
  if (reversed) return 'does-not-conform'
  return verdict === 'conforms' && unitsMissing !== 0 ? 'not-proven' : verdict
}

function notesFor(reversed: boolean, unitsMissing: number, units: number): Message[] {
  const notes: Message[] = []
  if (reversed) notes.push('plus and minus are exchanged: do not land the leads')
  if (unitsMissing > 0)
    notes.push(
      `${plural(unitsMissing, 'unit does', 'units do')} not show: look for an open connector between the last unit that raised the voltage and the next`,
    )
  if (unitsMissing < 0)
    notes.push(
      unitsMissing <= -units
        ? 'far above the safe voltage: the converters are released or a unit is bypassed; treat the string as live'
        : 'more units show than the plan has: count them',
    )
  return notes
}
