import { atLeast, atMost } from '../verdict/compare.js'
import { uncertaintyField } from '../verdict/decision.js'
import { watts } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import { list, num, object, optional, refine, requireRange, type Read } from '../shape/shape.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'

export const powerBalanceInput = object({
  samples: list(
    object({
      grid: num({ unit: 'W', about: 'import positive' }),
      solar: num({ unit: 'W' }),
      battery: num({ unit: 'W', about: 'discharge positive' }),
      load: optional(num({ unit: 'W' })),
    }),
  ),
  loadRange: refine(object({ min: num({ unit: 'W' }), max: num({ unit: 'W' }) }), requireRange),
  uncertainty: uncertaintyField('W'),
})
type Given = Read<typeof powerBalanceInput>
export type PowerBalanceInput = Omit<Given, 'uncertainty'> & { uncertainty?: number }

export interface Signs {
  grid: 1 | -1
  solar: 1 | -1
  battery: 1 | -1
}
export interface PowerBalanceResult extends Explained {
  consistent: Signs[]
  verdict: JudgedVerdict
}

const ALL_SIGNS: readonly Signs[] = ([1, -1] as const).flatMap((grid) =>
  ([1, -1] as const).flatMap((solar) => ([1, -1] as const).map((battery) => ({ grid, solar, battery }))),
)
const isAllPlus = ({ grid, solar, battery }: Signs) => grid === 1 && solar === 1 && battery === 1
const impliedLoad = (sample: PowerBalanceInput['samples'][number], { grid, solar, battery }: Signs) =>
  grid * sample.grid + solar * sample.solar + battery * sample.battery

/**
 * Do the meter and the machines tell one story? W; a load is implied by every choice of signs and must lie in its range at every moment,
 * and near the measured load where there is one; limits included. Bad input: no samples, a range upside down.
 * Source: what flows in flows out.
 */
export function powerBalance(input: PowerBalanceInput): PowerBalanceResult {
  const given = powerBalanceInput.read(input, '')
  const consistent = ALL_SIGNS.filter((signs) => given.samples.every((sample) => holds(sample, signs, given)))
  return {
    consistent: consistent.map((signs) => ({ ...signs })),
    verdict: verdictOf(consistent),
    working: given.samples.map(
      (sample, i) =>
        msg`moment ${i + 1}: ${formatNumber(sample.grid)} + ${formatNumber(sample.solar)} + ${formatNumber(sample.battery)} = ${watts(impliedLoad(sample, { grid: 1, solar: 1, battery: 1 }))} of load${sample.load === undefined ? '' : msg`, ${watts(sample.load)} measured`}`,
    ),
    notes: notesFor(consistent),
  }
}

function holds(
  sample: PowerBalanceInput['samples'][number],
  signs: Signs,
  { loadRange, uncertainty }: Given,
): boolean {
  const implied = impliedLoad(sample, signs)
  const scale = Math.max(Math.abs(sample.grid), Math.abs(sample.solar), Math.abs(sample.battery))
  const inRange =
    atLeast(implied, loadRange.min - uncertainty, scale) &&
    atMost(implied, loadRange.max + uncertainty, scale)
  return (
    inRange &&
    (sample.load === undefined ||
      atMost(Math.abs(implied - sample.load), uncertainty, Math.max(scale, Math.abs(sample.load))))
  )
}

function verdictOf(consistent: readonly Signs[]): JudgedVerdict {
  if (consistent.length === 0) return 'not-proven'
  if (!consistent.some(isAllPlus)) return 'does-not-conform'
  return consistent.length === 1 ? 'conforms' : 'not-proven'
}

function notesFor(consistent: readonly Signs[]): string[] {
  if (consistent.length === 0)
    return [
      'no choice of signs explains these moments: a meter may be on the wrong conductor, or the moments were not taken together',
    ]
  if (consistent.some(isAllPlus))
    return consistent.length === 1
      ? []
      : ['other signs would fit as well: take a moment at which every machine runs']
  const names = ['grid', 'solar', 'battery'] as const
  return consistent.map(
    (signs) => `would fit with ${names.filter((name) => signs[name] === -1).join(' and ')} reversed`,
  )
}
