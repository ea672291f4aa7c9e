import { MOUNTED, PLACED, type UnitBuilt } from '../as-built/as-built.js'
import type { World } from './kinds/kind.js'
import { flag, object, oneOf, optional, type Read } from '../verdict/shape.js'
import { UNIT_KINDS, UNIT_KIND_WORDS } from './terms.js'

/** When a requirement applies; all that is said here must be so. */
export const whenField = object(
  {
    placed: optional(oneOf(PLACED)),
    mounted: optional(oneOf(MOUNTED)),
    battery: optional(flag('a battery is fitted')),
    several: optional(flag('more than one unit of this sheet')),
    school: optional(oneOf(['iec', 'nec'] as const)),
    fitted: optional(oneOf(UNIT_KINDS, 'a unit of this kind is on the job')),
  },
  'when it applies; always, when left out',
)
export type When = Read<typeof whenField>

/**
 * Why a requirement does not apply to a unit; undefined when it does. What nobody has said yet (indoors or outdoors, hung or standing)
 * counts as if it applied: a check too many is safer than one too few.
 */
export function whyNot(when: When | undefined, unit: UnitBuilt, world: World): string | undefined {
  if (!when) return undefined
  const { placed, mounted } = unit.situation ?? {}
  const has = (kind: string) => world.asBuilt.units.some(({ id }) => world.sheetOf(id)?.kind === kind)
  const alike = world.asBuilt.units.filter(({ sheetId }) => sheetId === unit.sheetId).length
  const school = world.header?.school ?? 'iec'
  const reasons: (string | false | undefined)[] = [
    when.placed && placed && when.placed !== placed && `it stands ${placed}`,
    when.mounted && mounted && when.mounted !== mounted && MOUNTED_WORDS[mounted],
    when.battery !== undefined && when.battery !== has('battery') && (when.battery ? 'no battery is fitted' : 'a battery is fitted'),
    when.several !== undefined && when.several !== alike > 1 && (when.several ? 'it is the only one of its kind' : 'there are several of its kind'),
    when.school && when.school !== school && `the job follows ${school === 'iec' ? 'IEC-style' : 'NEC-style'} rules`,
    when.fitted && !has(when.fitted) && `no ${UNIT_KIND_WORDS[when.fitted]} on this job`,
  ]
  return reasons.find((reason): reason is string => typeof reason === 'string')
}

const MOUNTED_WORDS = { wall: 'it hangs off the floor', floor: 'it stands on the floor', roof: 'it lies on the roof' }
