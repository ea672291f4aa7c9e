import { BadInput } from '../shape/bad-input.js'
import {
  dictionary,
  join,
  num,
  object,
  oneOf,
  optional,
  refine,
  text,
  whole,
  type Read,
} from '../shape/shape.js'
import { rawNumber, rawText, scaled, scaleFactor, sizeOf } from './decode.js'
import { OPEN_MODELS, type OpenPoint } from './open-models.js'

const TYPES = ['u16', 's16', 'u32', 'text'] as const

/**
 * Where a sheet says that something can be read off the device: a point of an open information model, or a register of the maker's own.
 * `scale` multiplies what was read into the unit of the requirement; `words` name the numbers of a list; `clock` is compared with true time.
 */
export const pointShape = refine(
  object({
    model: optional(num({ about: 'number of the open information model' })),
    point: optional(text('name of the point within that model')),
    register: optional(whole({ min: 0, max: 65_535, about: 'holding register of the maker’s own map' })),
    type: optional(oneOf(TYPES, 'how it is written, for a register; the higher word first')),
    size: optional(whole({ min: 1, max: 32, about: 'registers, for text' })),
    scale: optional(num({ about: 'multiplies what was read' })),
    words: optional(dictionary(text(), 'what each number means')),
    clock: optional(oneOf(['unix-seconds'] as const, 'a clock: read as how far it is ahead of true time, s')),
  }),
  (said, path) => {
    const { model, point, register, type, scale } = said
    if (scale === 0)
      throw new BadInput('not-positive', join(path, 'scale'), 'must not be 0: it would read as nothing')
    if ((model === undefined) === (register === undefined))
      throw new BadInput('no-content', path, 'needs a model with its point, or a register with its type')
    if (register !== undefined && !type)
      throw new BadInput('missing', join(path, 'type'), 'is required with a register')
    if (register !== undefined) return
    const known = OPEN_MODELS[model!]
    if (!known) throw new BadInput('not-listed', join(path, 'model'), `no model ${model} is read here`)
    if (!point) throw new BadInput('missing', join(path, 'point'), 'is required with a model')
    if (!Object.hasOwn(known.points, point))
      throw new BadInput(
        'not-listed',
        join(path, 'point'),
        `model ${model} (${known.name}) has no point ${point}`,
      )
  },
)
export type DevicePoint = Read<typeof pointShape>

/** Registers as they were read: undefined where one was not, or where the device refused it. */
export interface Registers {
  /** Where a model begins, on this device. */
  startOf(model: number): number | undefined
  at(register: number): number | undefined
}

/** What was read at a point. */
export interface PointRead {
  register: number
  raw: number | string
  /** Power of ten that the device itself gave with it. */
  exponent: number
  /** In the unit of the point, before the sheet's own scale. */
  value: number | string
}

/** What a point holds; undefined where the device has no such point, or says that it is not there. */
export function readPoint(point: DevicePoint, registers: Registers): PointRead | undefined {
  const place = placeOf(point, registers)
  if (!place) return undefined
  const { register, type, size, exponentAt } = place
  const words = wordsAt(registers, register, sizeOf(type, size))
  if (!words) return undefined
  if (type === 'text') {
    const raw = rawText(words)
    return raw === '' ? undefined : { register, raw, exponent: 0, value: raw }
  }
  const raw = rawNumber(type, words)
  const exponent = exponentAt === undefined ? 0 : scaleFactor(wordsAt(registers, exponentAt, 1) ?? [])
  if (raw === undefined || exponent === undefined) return undefined
  return { register, raw, exponent, value: scaled(raw, exponent) }
}

/** Every register that a point takes, so that it can be asked for; none where the device has no such model. */
export function registersOf(point: DevicePoint, registers: Pick<Registers, 'startOf'>): number[] {
  const place = placeOf(point, registers)
  if (!place) return []
  const all = Array.from({ length: sizeOf(place.type, place.size) }, (_, i) => place.register + i)
  return place.exponentAt === undefined ? all : [...all, place.exponentAt]
}

function placeOf({ model, point, register, type, size }: DevicePoint, registers: Pick<Registers, 'startOf'>) {
  if (register !== undefined) return { register, type: type!, size, exponentAt: undefined }
  const start = registers.startOf(model!)
  const known: OpenPoint | undefined = OPEN_MODELS[model!]?.points[point!]
  if (start === undefined || !known) return undefined
  const scaling = known.scaledBy && OPEN_MODELS[model!]!.points[known.scaledBy]
  return {
    register: start + known.at,
    type: known.type,
    size: known.size,
    exponentAt: scaling ? start + scaling.at : undefined,
  }
}

function wordsAt(registers: Registers, from: number, count: number): number[] | undefined {
  const words = Array.from({ length: count }, (_, i) => registers.at(from + i))
  return words.every((word) => word !== undefined) ? words : undefined
}

/** One name for one point, whoever asks for it. */
export const pointKey = ({ model, point, register }: DevicePoint): string =>
  register === undefined ? `${model}.${point}` : `r${register}`

/** As a person reads it: "model 123 WMaxLimPct", "register 41001". */
export const pointWords = ({ model, point, register }: DevicePoint): string =>
  register === undefined ? `model ${model} ${point}` : `register ${register}`

const MS = 1000

/**
 * What was read, as the requirement means it: scaled, named where it is one of a list, a clock as seconds ahead of `at` (ISO 8601).
 * A number that the sheet has no name for says so and can be no setting that the sheet asks for.
 */
export function meant(point: DevicePoint, value: number | string, at: string): number | string {
  if (typeof value === 'string') return value
  if (point.clock) return value - Math.round(Date.parse(at) / MS)
  if (point.words) return point.words[String(value)] ?? `${value}, which the sheet does not list`
  const by = point.scale ?? 1
  // A tenth is divided by ten: 60 times 0.1 would be 6.000000000000001 for some.
  return Math.abs(by) < 1 && by !== 0 ? value / (1 / by) : value * by
}
