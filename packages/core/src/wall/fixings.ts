import { atMost } from '../verdict/compare.js'
import { BadInput } from '../shape/bad-input.js'
import { kilonewtons } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { count, num, object, optional, refine, type Read } from '../shape/shape.js'
import { judged, type Explained, type JudgedVerdict } from '../verdict/verdict.js'

const STANDARD_GRAVITY = 9.80665

export const fixingsInput = refine(
  object({
    mass: num({ unit: 'kg', sign: 'magnitude' }),
    centreOfGravity: num({ unit: 'mm', sign: 'magnitude', about: 'distance from the wall' }),
    fixings: object({
      count: count(),
      topRow: count('fixings in the top row, which take the tension'),
      leverArm: num({
        unit: 'mm',
        sign: 'divisor',
        about: 'from the top row down to where the unit presses on the wall',
      }),
    }),
    capacity: object(
      { tension: num({ unit: 'kN', sign: 'divisor' }), shear: num({ unit: 'kN', sign: 'divisor' }) },
      'of one fixing in this wall',
    ),
    safetyFactor: optional(num({ sign: 'divisor' }), 4),
    derate: optional(num({ sign: 'divisor', about: 'how a soft or hollow wall is expressed' }), 1),
  }),
  ({ fixings: { count: all, topRow } }) => {
    if (topRow > all)
      throw new BadInput('out-of-range', 'fixings.topRow', 'must not exceed the count of fixings')
  },
)

export interface FixingsInput {
  mass: number
  centreOfGravity: number
  fixings: { count: number; topRow: number; leverArm: number }
  capacity: { tension: number; shear: number }
  safetyFactor?: number | undefined
  derate?: number | undefined
}
export interface FixingsResult extends Explained {
  /** kN on each fixing of the top row. */
  tension: number
  /** kN on each fixing. */
  shear: number
  utilisation: number
  verdict: JudgedVerdict
}

/**
 * Do the fixings hold a unit hung on a wall? The weight pulls the top row out about the lower edge and shears all of them alike.
 * kg, mm, kN. Tension and shear utilisation are added; 1 is allowed. Bad input: more fixings in the top row than there are.
 * Source: statics of a bracket; linear interaction of tension and shear with one global safety factor.
 */
export function fixings(input: FixingsInput): FixingsResult {
  const {
    mass,
    centreOfGravity,
    fixings: fitted,
    capacity,
    safetyFactor,
    derate,
  } = fixingsInput.read(input, '') as Read<typeof fixingsInput>
  const weight = (mass * STANDARD_GRAVITY) / 1000
  const tension = (weight * centreOfGravity) / (fitted.leverArm * fitted.topRow)
  const shear = weight / fitted.count
  const allowedTension = (capacity.tension * derate) / safetyFactor
  const allowedShear = (capacity.shear * derate) / safetyFactor
  const utilisation = tension / allowedTension + shear / allowedShear
  return {
    tension,
    shear,
    utilisation,
    verdict: judged(atMost(utilisation, 1)),
    working: [
      msg`weight ${formatNumber(mass)} kg × 9.80665 m/s² = ${kilonewtons(weight)}`,
      msg`tension ${kilonewtons(weight)} × ${formatNumber(centreOfGravity)} mm ÷ (${formatNumber(fitted.leverArm)} mm × ${fitted.topRow}) = ${kilonewtons(tension)}; shear ${kilonewtons(weight)} ÷ ${fitted.count} = ${kilonewtons(shear)}`,
      msg`allowed ${formatNumber(capacity.tension)} × ${formatNumber(derate)} ÷ ${formatNumber(safetyFactor)} = ${kilonewtons(allowedTension)} and ${formatNumber(capacity.shear)} × ${formatNumber(derate)} ÷ ${formatNumber(safetyFactor)} = ${kilonewtons(allowedShear)}`,
      `${formatNumber(tension / allowedTension, 4)} + ${formatNumber(shear / allowedShear, 4)} = ${formatNumber(utilisation, 4)}, at most 1`,
    ],
    notes: [
      'the capacity must be that of the fixing in this very wall: pull-test where the wall is in doubt',
      ...(derate > 1 ? ['a derate above 1 raises the capacity of the wall: make sure that is meant'] : []),
    ],
  }
}
