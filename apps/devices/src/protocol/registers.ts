/** Types of the open models: how many registers each takes, and how "not implemented" is written. */
const SIZES: Record<string, number> = { u16: 1, s16: 1, sf: 1, e16: 1, u32: 2, a32: 2, b32: 2, s64: 4 }
const ABSENT: Record<string, number[]> = {
  u16: [0xffff],
  e16: [0xffff],
  s16: [0x8000],
  sf: [0x8000],
  u32: [0xffff, 0xffff],
  b32: [0xffff, 0xffff],
  a32: [0, 0],
}

export type Value = number | string | undefined

/** One value as registers, most significant first. Text (`str16` is sixteen registers) is padded with zeros. */
export function encode(type: string, value: Value): number[] {
  const text = /^str(\d+)$/.exec(type)
  if (text) {
    const size = Number(text[1])
    const bytes = Buffer.alloc(size * 2)
    bytes.write(String(value ?? ''), 'utf8')
    return Array.from({ length: size }, (_, i) => bytes.readUInt16BE(i * 2))
  }
  if (value === undefined) return ABSENT[type] ?? Array(SIZES[type] ?? 1).fill(0)
  const whole = Math.round(Number(value))
  if (SIZES[type] === 2) return [(whole >>> 16) & 0xffff, whole & 0xffff]
  return [whole & 0xffff]
}

/** How many registers a type takes. */
export const sizeOf = (type: string): number => SIZES[type] ?? Number(type.slice(3))
