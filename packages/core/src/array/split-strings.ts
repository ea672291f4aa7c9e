import { BadInput } from '../shape/bad-input.js'
import { watts } from '../quantity/figure.js'
import { plural } from '../quantity/phrases.js'
import { msg } from '../quantity/message.js'
import {
  count,
  flag,
  list,
  num,
  object,
  optional,
  refine,
  requireUniqueIds,
  text,
  type Read,
} from '../shape/shape.js'
import type { Explained } from '../verdict/verdict.js'

export const splitStringsInput = object({
  planes: refine(
    list(object({ id: text(), modules: count(undefined, { max: 10_000 }) }), {
      max: 100,
      about: 'surfaces of one orientation and tilt',
    }),
    (planes, path) => requireUniqueIds(planes, path),
  ),
  modulePower: num({ unit: 'W', sign: 'divisor' }),
  maxPower: num({ unit: 'W', sign: 'divisor', about: 'of one string' }),
  minCount: count('least modules or units in a string'),
  maxCount: count(),
  mixPlanes: optional(flag('may modules of different planes share a string?'), false),
})
type Given = Read<typeof splitStringsInput>
export type SplitStringsInput = Omit<Given, 'mixPlanes'> & { mixPlanes?: boolean }
export interface SplitString {
  count: number
  /** W */
  power: number
  planes: { id: string; modules: number }[]
}
export interface SplitStringsResult extends Explained {
  strings: SplitString[]
  /** Planes that cannot be split within the limits; empty when all could. */
  impossible: string[]
}

/**
 * How is an array split into strings? Fewest strings first, then as even as can be; a string stays within its greatest power and between
 * its least and greatest count; planes are kept apart unless the sheet lets them share. W. Bad input: least count above the greatest,
 * a limit that not even one module fits. Source: counting.
 */
export function splitStrings(input: SplitStringsInput): SplitStringsResult {
  const given = splitStringsInput.read(input, '') as Given
  const { planes, modulePower, maxPower, minCount, maxCount, mixPlanes } = given
  if (minCount > maxCount) throw new BadInput('min-above-max', 'minCount', 'must not be above maxCount')
  const byPower = Math.floor(maxPower / modulePower + 1e-9)
  const most = Math.min(maxCount, byPower)
  if (most < 1) throw new BadInput('out-of-range', 'maxPower', 'is less than the power of one module')
  const groups = mixPlanes ? [planes] : planes.map((plane) => [plane])
  const split = groups.map((group) => ({ group, sizes: evenSizes(total(group), minCount, most) }))
  const strings = split.flatMap(({ group, sizes }) => (sizes ? share(group, sizes, modulePower) : []))
  return {
    strings,
    impossible: split.flatMap(({ group, sizes }) => (sizes ? [] : group.map(({ id }) => id))),
    working: [
      msg`${watts(maxPower)} ÷ ${watts(modulePower)} = ${plural(byPower, 'module')} by power; between ${minCount} and ${most} in a string`,
      ...split.map(
        ({ group, sizes }) =>
          `${group.map(({ id }) => id).join(' + ')}: ${total(group)} modules ${sizes ? `in ${plural(sizes.length, 'string')} of ${sizes.join(', ')}` : 'cannot be split within these limits'}`,
      ),
    ],
    notes: mixPlanes ? ['mixing planes on one string is allowed only where the sheet says so'] : [],
  }
}

const total = (group: readonly { modules: number }[]) => group.reduce((sum, { modules }) => sum + modules, 0)

/** Fewest strings whose even sizes stay within the limits; larger sizes first. */
function evenSizes(modules: number, least: number, most: number): number[] | undefined {
  const strings = Math.ceil(modules / most)
  const small = Math.floor(modules / strings)
  // More strings would only be smaller: when the even share is too small already, nothing fits.
  if (small < least) return undefined
  const larger = modules % strings
  return Array.from({ length: strings }, (_, i) => small + (i < larger ? 1 : 0))
}

/** Fills the strings in order from the planes in order, so that a string touches as few planes as it can. */
function share(
  group: readonly { id: string; modules: number }[],
  sizes: readonly number[],
  modulePower: number,
): SplitString[] {
  const left = group.map((plane) => ({ ...plane }))
  return sizes.map((size) => {
    const planes: SplitString['planes'] = []
    for (let need = size; need > 0;) {
      const plane = left.find(({ modules }) => modules > 0)!
      const taken = Math.min(need, plane.modules)
      planes.push({ id: plane.id, modules: taken })
      plane.modules -= taken
      need -= taken
    }
    return { count: size, power: size * modulePower, planes }
  })
}
