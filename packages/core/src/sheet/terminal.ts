import { quantity } from '../quantity/quantity-field.js'
import { BadInput } from '../shape/bad-input.js'
import { object, oneOf, optional, percent, refine, requireRange, text, type Read } from '../shape/shape.js'
import type { Dimension } from '../quantity/units.js'
import { placeInManual } from './place.js'
import { CLAMPS, CLAMP_WORDS } from './terms.js'

const window = (dimension: Dimension, about: string) =>
  refine(
    object({ min: optional(quantity(dimension)), max: optional(quantity(dimension)) }, about),
    requireRange,
  )

/** What a torque driver of the usual class is good to, % of its setting. Source: ISO 6789-1, type II. */
export const DRIVER_CLASS_PERCENT = 6

const torqueFields = object(
  {
    min: optional(quantity('torque')),
    max: optional(quantity('torque')),
    nominal: optional(quantity('torque', 'a single figure, as its maker prints it', { sign: 'divisor' })),
    tolerancePercent: optional(percent('of the single figure, where the maker says it')),
  },
  'tightening torque: min and max, or a single figure with its tolerance',
)

/**
 * A window of torque. Of a single figure the window follows from its tolerance, which is asked for: nothing is ever tightened to a figure
 * without one. Both stay beside the window that comes of them.
 */
const torqueWindow: typeof torqueFields = {
  ...torqueFields,
  read(value, path) {
    const read = torqueFields.read(value, path)
    const { nominal, tolerancePercent, min, max } = read
    if (nominal === undefined) {
      requireRange(read, path)
      return read
    }
    if (tolerancePercent === undefined)
      throw new BadInput(
        'missing',
        `${path}.tolerancePercent`,
        `is required beside a single figure; ${DRIVER_CLASS_PERCENT} is the usual class of a torque driver`,
      )
    const width = (nominal * tolerancePercent) / 100
    const window = { min: min ?? nominal - width, max: max ?? nominal + width }
    requireRange(window, path)
    return { ...read, ...window }
  },
}

export const TERMINAL_SIDES = ['dc', 'ac', 'battery', 'earth', 'signal'] as const

/** A place where a conductor is landed, with the windows that its maker gives. Only a screw has a torque. */
export const terminalShape = refine(
  object({
    id: text(),
    label: text('as marked on the unit'),
    side: oneOf(TERMINAL_SIDES),
    clamp: oneOf(CLAMPS),
    torque: optional(torqueWindow),
    strip: optional(window('length', 'length of bare conductor')),
    conductor: optional(window('conductor-size', 'size of conductor')),
    printed: optional(placeInManual),
  }),
  ({ clamp, torque }, path) => {
    if (clamp === 'torque' && !torque)
      throw new BadInput('missing', `${path}.torque`, 'is required by a terminal that is tightened')
    if (clamp !== 'torque' && torque)
      throw new BadInput(
        'out-of-range',
        `${path}.torque`,
        `must be left out: this terminal is ${CLAMP_WORDS[clamp]}`,
      )
  },
)
export type Terminal = Read<typeof terminalShape>
export const TERMINAL_WINDOWS = ['torque', 'strip', 'conductor'] as const
