import { flag, object, oneOf, optional, type Read } from '../shape/shape.js'
import { MOUNTED, PLACED, UNIT_KINDS } from './terms.js'

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
