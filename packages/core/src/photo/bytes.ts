/** Reading and putting together the bytes of a picture. What lies beyond the end reads as zero. */
export const uint = (bytes: Uint8Array, at: number, length: number, little = false): number => {
  let sum = 0
  for (let i = 0; i < length; i++) sum = sum * 256 + (bytes[at + (little ? length - 1 - i : i)] ?? 0)
  return sum
}

export const textAt = (bytes: Uint8Array, at: number, length: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + length))

export const asText = (text: string): Uint8Array => Uint8Array.from(text, (sign) => sign.charCodeAt(0))

export function asUint(value: number, length: number, little = false): Uint8Array {
  const bytes = new Uint8Array(length)
  for (let i = 0; i < length; i++) bytes[little ? i : length - 1 - i] = Math.floor(value / 256 ** i) % 256
  return bytes
}

export function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.length
  }
  return whole
}

export function sameBytes(a: Uint8Array, b: Uint8Array): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}
