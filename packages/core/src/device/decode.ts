import type { PointType } from './open-models.js'

const SIZE = { u16: 1, s16: 1, e16: 1, u32: 2, a32: 2, b32: 2 } satisfies Record<
  Exclude<PointType, 'text'>,
  number
>
const HALF_WORD = 0x8000
const WORD = 0x10000

export const sizeOf = (type: PointType, size = 1): number => (type === 'text' ? size : SIZE[type])

/** What registers hold, as a whole number; undefined where they hold the mark of a point that is not there. Highest word first. */
export function rawNumber(type: Exclude<PointType, 'text'>, words: readonly number[]): number | undefined {
  const [high = 0, low = 0] = words
  if (words.length < SIZE[type]) return undefined
  if (type === 's16') return high === HALF_WORD ? undefined : high >= HALF_WORD ? high - WORD : high
  if (SIZE[type] === 1) return high === WORD - 1 ? undefined : high
  const whole = high * WORD + low
  if (type === 'a32') return whole
  return whole === WORD * WORD - 1 ? undefined : whole
}

/** Text in registers, two characters each, up to the first that is empty. */
export function rawText(words: readonly number[]): string {
  const bytes = words.flatMap((word) => [word >> 8, word & 0xff])
  const end = bytes.indexOf(0)
  return String.fromCharCode(...(end < 0 ? bytes : bytes.slice(0, end))).trim()
}

const LARGEST_SCALE = 10

/** A power of ten as the open models write it; undefined for one that no device would mean. */
export function scaleFactor(words: readonly number[]): number | undefined {
  const exponent = rawNumber('s16', words)
  return exponent === undefined || Math.abs(exponent) > LARGEST_SCALE ? undefined : exponent
}

/** A whole number by a power of ten, without the noise of binary fractions. */
export const scaled = (raw: number, exponent: number): number =>
  exponent < 0 ? raw / 10 ** -exponent : raw * 10 ** exponent
