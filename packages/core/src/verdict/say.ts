/** Figures in the lines of `working`: rounded for reading, never for reckoning, with a true minus sign. */
export function fig(value: number, digits = 2): string {
  const rounded = Number(value.toFixed(digits))
  return String(Object.is(rounded, -0) ? 0 : rounded).replace('-', '−')
}

const withUnit = (unit: string, digits: number) => (value: number) => `${fig(value, digits)} ${unit}`

export const mm = withUnit('mm', 1)
export const volts = withUnit('V', 2)
export const amps = withUnit('A', 2)
export const ohms = withUnit('Ω', 4)
export const megohms = withUnit('MΩ', 3)
export const mm2 = withUnit('mm²', 2)
export const metres = withUnit('m', 2)
export const seconds = withUnit('s', 2)
export const watts = withUnit('W', 1)
export const kilonewtons = withUnit('kN', 4)
export const kilograms = withUnit('kg', 2)
export const newtonMetres = withUnit('N·m', 2)

/** "a", "a and b", "a, b and c". */
export function listed(words: readonly string[]): string {
  return words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
}

/** "1 unit", "3 units". */
export function plural(n: number, one: string, many = `${one}s`): string {
  return `${fig(n, 0)} ${n === 1 ? one : many}`
}

/** As two readers would compare it: without case, blanks and hyphens. */
export const plain = (said: string): string => said.trim().toUpperCase().replace(/[\s-]/g, '')
