import { mm } from '../quantity/figure.js'
import { msg, type Message } from '../quantity/message.js'
import type { PhotoFault } from './photo-tape.js'

const AT_THE_RIM = {
  mark: 'a known point lies in the outer tenth of the photo, where lenses bend: take it from farther off',
  check: 'the check length reaches into the outer tenth of the photo, where lenses bend',
  click: 'this lies in the outer tenth of the photo, where lenses bend: take another photo, or the tape',
} satisfies Record<Extract<PhotoFault, { code: 'near-edge' }>['what'], string>

/** Why a photo measures nothing, or not there, and what to do about it. */
export function sayPhotoFault(fault: PhotoFault): Message {
  switch (fault.code) {
    case 'no-map':
      return fault.why
    case 'near-edge':
      return AT_THE_RIM[fault.what]
    case 'beyond-horizon':
      return 'this lies at or beyond the horizon of the wall'
    case 'check-off':
      return msg`the check length comes to ${mm(fault.distance)} instead of ${mm(fault.length)}, off by more than ${mm(fault.tolerance)}: a known point is wrong, or not all lie in one plane`
    case 'points-off':
      return msg`the known points miss their places by ${mm(fault.residual)}, more than ${mm(fault.uncertainty)}: one of them is wrong, or the lens bends lines`
  }
}
