import { quantity } from '../quantity/quantity-field.js'
import { BadInput } from '../shape/bad-input.js'
import { object, oneOf, optional, refine, requireRange, text, type Read } from '../shape/shape.js'
import type { Dimension } from '../quantity/units.js'
import { CLAMPS, CLAMP_WORDS } from './terms.js'

const window = (dimension: Dimension, about: string) =>
  refine(
    object({ min: optional(quantity(dimension)), max: optional(quantity(dimension)) }, about),
    requireRange,
  )

export const TERMINAL_SIDES = ['dc', 'ac', 'battery', 'earth', 'signal'] as const

/** A place where a conductor is landed, with the windows that its maker gives. Only a screw has a torque. */
export const terminalShape = refine(
  object({
    id: text(),
    label: text('as marked on the unit'),
    side: oneOf(TERMINAL_SIDES),
    clamp: oneOf(CLAMPS),
    torque: optional(window('torque', 'tightening torque')),
    strip: optional(window('length', 'length of bare conductor')),
    conductor: optional(window('conductor-size', 'size of conductor')),
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
