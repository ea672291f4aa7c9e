import { atMost, wholeBelow } from '../verdict/compare.js'
import { BadInput } from '../shape/bad-input.js'
import { amps, volts } from '../quantity/figure.js'
import { formatNumber, plural } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { count, list, num, object, oneOf, optional, percent, refine, type Read } from '../shape/shape.js'
import { judged, type Explained, type JudgedVerdict } from '../verdict/verdict.js'
import { COPPER } from './copper.js'

export const acBranchInput = refine(
  object({
    phases: oneOf([1, 3] as const),
    voltage: num({ unit: 'V', sign: 'divisor', about: 'line to line when there are three phases' }),
    unitCurrent: num({ unit: 'A', sign: 'divisor', about: 'greatest output current of one unit' }),
    units: count('units on the branch'),
    breaker: num({ unit: 'A', sign: 'magnitude' }),
    statedMax: optional(count('the maker’s own greatest number')),
    breakerUse: optional(
      num({ sign: 'magnitude', about: 'part of the breaker’s rating that may be used' }),
      0.8,
    ),
    segments: optional(
      list(
        object({
          length: num({ unit: 'm', sign: 'magnitude' }),
          size: num({ unit: 'mm²', sign: 'divisor' }),
        }),
        { about: 'first from the board to the nearest unit, then from unit to unit' },
      ),
    ),
    maxRisePercent: optional(percent(), 2),
  }),
  ({ segments, units }) => {
    if (segments && segments.length !== units)
      throw new BadInput(
        'wrong-length',
        'segments',
        `must have one entry for each of the ${units} units, not ${segments.length}`,
      )
  },
)

type Given = Read<typeof acBranchInput>
export type AcBranchInput = Omit<Given, 'breakerUse' | 'maxRisePercent'> &
  Partial<Pick<Given, 'breakerUse' | 'maxRisePercent'>>
export interface AcBranchResult extends Explained {
  byBreaker: number
  allowed: number
  riseVolts?: number
  risePercent?: number
  verdict: JudgedVerdict
}

/**
 * How many small inverters may share a branch, and how far does the voltage rise to the last? V, A, m, mm²; every limit included.
 * Each segment carries the current of all units beyond it. Bad input: a list of segments that has not one for each unit.
 * Source: breaker used at 80 % for continuous current; Ohm's law with warm copper, 0.0225 Ω·mm²/m.
 */
export function acBranch(input: AcBranchInput): AcBranchResult {
  const given = acBranchInput.read(input, '') as Given
  const { unitCurrent, units, breaker, breakerUse, statedMax, maxRisePercent } = given
  const byBreaker = wholeBelow((breakerUse * breaker) / unitCurrent)
  const allowed = Math.min(byBreaker, statedMax ?? Infinity)
  const rise = riseOf(given)
  const fits = units <= allowed
  return {
    byBreaker,
    allowed,
    ...(rise && { riseVolts: rise.volts, risePercent: rise.percent }),
    verdict: judged(fits && (!rise || atMost(rise.percent, maxRisePercent))),
    working: [
      msg`${formatNumber(breakerUse)} × ${amps(breaker)} ÷ ${amps(unitCurrent)} = ${formatNumber((breakerUse * breaker) / unitCurrent)}, so ${plural(byBreaker, 'unit')} by the breaker`,
      ...(statedMax === undefined ? [] : [`the maker allows ${statedMax}: ${allowed} in all`]),
      `fitted ${plural(units, 'unit')}${fits ? '' : `, ${units - allowed} too many`}`,
      ...(rise?.working ?? []),
    ],
    notes: rise ? [] : ['the voltage rise was not judged: give the length and size of every segment'],
  }
}

function riseOf({ phases, voltage, unitCurrent, units, segments, maxRisePercent }: Given) {
  if (!segments) return undefined
  const there = phases === 1 ? 2 : 1
  const base = phases === 1 ? voltage : voltage / Math.sqrt(3)
  const parts = segments.map(({ length, size }, k) => ({
    resistance: (COPPER * length) / size,
    current: unitCurrent * (units - k),
  }))
  const riseVolts = there * parts.reduce((sum, { resistance, current }) => sum + resistance * current, 0)
  const risePercent = (100 * riseVolts) / base
  const shown = parts
    .slice(0, 3)
    .map(({ resistance, current }) => msg`${formatNumber(resistance, 4)} Ω × ${amps(current)}`)
  return {
    volts: riseVolts,
    percent: risePercent,
    working: [
      msg`rise ${there} × (${shown.join(' + ')}${parts.length > 3 ? ' + …' : ''}) = ${volts(riseVolts)}, ${formatNumber(risePercent)} % of ${volts(base)}, at most ${formatNumber(maxRisePercent)} %`,
    ],
  }
}
