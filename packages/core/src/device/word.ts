import { accuracyShape, type Instrument } from '../instrument/instrument.js'
import { anyText, flag, list, num, object, optional, text, whole, type Read } from '../shape/shape.js'
import { seenTime } from '../shape/time.js'
import type { ConnectionId } from '../ids/ids.js'

/** A device as it named itself when it was read. */
export const deviceNamedShape = object({
  id: text<ConnectionId>(),
  host: anyText(),
  port: whole({ min: 1, max: 65_535 }),
  unitId: whole({ min: 0, max: 255 }),
  maker: anyText(),
  model: anyText(),
  serial: anyText(),
  firmware: anyText(),
  /** A stand-in for trying out: nothing that it says is about a real installation. */
  simulated: flag(),
})
export type DeviceNamed = Read<typeof deviceNamedShape>

/** Where one part of an answer was read off a device: the point, the register, what stood there and by which power of ten it counts. */
export const pointReadShape = object({
  part: text('the field or step that it answers'),
  point: anyText(),
  register: whole({ min: 0, max: 65_535 }),
  raw: anyText(),
  exponent: num({ min: -10, max: 10 }),
  at: seenTime,
})

/** What of an answer is a device's word and not a person's; with what the maker's sheet says of the device's own figures, if anything. */
export const deviceWordShape = object({
  device: deviceNamedShape,
  points: list(pointReadShape, { max: 200 }),
  figures: optional(list(accuracyShape, { mayBeEmpty: true })),
})
export type DeviceWord = Read<typeof deviceWordShape>

/** A device's own figures, as the instrument that they are: nothing of it is calibrated, its sheet answers for it. */
export function ownFigures({ device, figures }: DeviceWord): Instrument | undefined {
  if (!figures || figures.length === 0) return undefined
  const { id, maker, model, serial } = device
  const name = `${maker} ${model}, its own figures`
  return { id: String(id), name, kind: 'multimeter', serial, calibratedUntil: NEVER, accuracy: figures }
}

const NEVER = '9999-12-31'

/** Who said it and where, for a history and a report; a stand-in is always called one. */
export function sayWord({ device: { maker, model, serial, simulated }, points }: DeviceWord): string {
  const [first] = points
  const where = points.length === 1 && first ? `, ${first.point}: ${first.raw}` : `, ${points.length} points`
  return `read off ${maker} ${model} ${serial}${simulated ? ' (simulated)' : ''}${where}`
}
