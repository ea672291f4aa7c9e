import { joinMessages, type Message } from './message.js'

/** Figures in the lines of `working`: rounded for reading, never for reckoning, with a true minus sign. */
export function formatNumber(value: number, digits = 2): string {
  const rounded = Number(value.toFixed(digits))
  return String(Object.is(rounded, -0) ? 0 : rounded).replace('-', '−')
}

/** "a", "a and b", "a, b and c". */
export function joinAnd(words: readonly string[]): string
export function joinAnd(words: readonly Message[]): Message
export function joinAnd(words: readonly Message[]): Message {
  return inARow(words, ' and ')
}

/** "a", "a or b", "a, b or c". */
export function joinOr(words: readonly string[]): string
export function joinOr(words: readonly Message[]): Message
export function joinOr(words: readonly Message[]): Message {
  return inARow(words, ' or ')
}

function inARow(words: readonly Message[], last: string): Message {
  if (words.length < 2) return words[0] ?? ''
  const all = joinMessages([joinMessages(words.slice(0, -1), ', '), words.at(-1)!], last)
  return words.every((one) => typeof one === 'string') ? all.toString() : all
}

/** "Hybrid inverter": a name at the beginning of a line. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** "1 unit", "3 units". */
export function plural(n: number, one: string, many = `${one}s`): string {
  return `${formatNumber(n, 0)} ${n === 1 ? one : many}`
}

/** As two readers would compare it: without case, blanks and hyphens. */
export const normaliseLabel = (said: string): string => said.trim().toUpperCase().replace(/[\s-]/g, '')
