import { isLocalAddress } from '../device/address.js'
import type { ConnectionId, UnitId } from '../ids/ids.js'
import { anyText, object, refine, text, whole, type Read } from '../shape/shape.js'
import { BadInput } from '../shape/bad-input.js'

/** Where a unit of the job can be asked over the network: an address in figures, so that no name can lead elsewhere. */
export const connectionShape = object({
  id: text<ConnectionId>(),
  unitId: text<UnitId>(),
  host: refine(anyText(), (value, path) => {
    if (!isLocalAddress(value))
      throw new BadInput(
        'out-of-range',
        path,
        'must be a private or loopback IPv4 address, as in 192.168.1.20',
      )
  }),
  port: whole({ min: 1, max: 65_535 }),
  address: whole({ min: 0, max: 255, about: 'unit id on the bus' }),
})
export type Connection = Read<typeof connectionShape>
