import { claimed, type Device } from '../device.js'
import { model, wholeMap } from '../protocol/models.js'
import { encode } from '../protocol/registers.js'
import { everHeard, heardLately } from './devices.js'

/** What hears the boxes under the modules knows them by an open nameplate only. */
export const listenerMap = (device: Device): number[] =>
  wholeMap([model(1, { ...claimed(device), DA: device.unitId })])

const FIRST_BOX = 43_010
const PER_BOX = 10
const SERIAL_SIZE = 8
const NEVER = 0xffff
const SECONDS_PER_MINUTE = 60

/** The maker's own registers: 43000 how many are known, 43001 ever heard, 43002 heard lately; from 43010 ten registers a box. */
export function listenerRegisters({ plant }: Device): (address: number) => number | undefined {
  return (address) => {
    const { boxes, now } = plant
    const known = everHeard(boxes)
    if (address === 43_000) return boxes.length
    if (address === 43_001) return known.length
    if (address === 43_002) return heardLately(boxes, now).length
    const box = boxes[Math.floor((address - FIRST_BOX) / PER_BOX)]
    if (address < FIRST_BOX || !box) return undefined
    const within = (address - FIRST_BOX) % PER_BOX
    if (within < SERIAL_SIZE) return encode(`str${SERIAL_SIZE}`, box.serial)[within]
    if (within > SERIAL_SIZE) return 0
    if (box.heardAt === undefined) return NEVER
    return Math.min(NEVER - 1, Math.floor((now - box.heardAt) / SECONDS_PER_MINUTE))
  }
}
