import { normaliseLabel } from '@plumb-mark/core'
import type { Box } from '../page/page.js'
import type { SeenWord } from '../source/scan.js'

/** What stands behind a label on a plate, and where, in dots of the picture. */
export interface PlateLine {
  label: string
  value: string
  box: Box
  /** How certain the least certain of its words was seen, 0 to 100. */
  sure: number
}

const SERIAL =
  /^(?:serial(?:\s*(?:no|nr|number|n°))?|s\s?[/.]?\s?n|ser\.?\s*(?:no|nr))[.:#\s]*(?=[A-Z0-9]|$)/i
const MODEL = /^(?:model(?:\s*(?:no|name))?|type|mod)[.:#\s]+(?=\S)/i
/** Of at least so many letters and figures, with hyphens: what makers call a serial. */
const SERIAL_FORM = /^[A-Z0-9]+(?:[-/.][A-Z0-9]+)*$/
const SHORTEST_SERIAL = 6

/** The lines of a plate from above to below, each with its words from left to right. */
function linesOf(words: readonly SeenWord[]): SeenWord[][] {
  const lines = new Map<number, SeenWord[]>()
  for (const word of words) lines.set(word.line, [...(lines.get(word.line) ?? []), word])
  return [...lines.values()]
    .map((line) => [...line].sort((a, b) => a.x0 - b.x0))
    .sort((a, b) => a[0]!.top - b[0]!.top)
}

const sureOf = (line: readonly SeenWord[]) => Math.min(...line.map(({ sure = 100 }) => sure))
const textOf = (line: readonly SeenWord[]) => line.map(({ text }) => text).join(' ')
const boxOf = (line: readonly SeenWord[]): Box => ({
  x0: Math.min(...line.map(({ x0 }) => x0)),
  x1: Math.max(...line.map(({ x1 }) => x1)),
  top: Math.min(...line.map(({ top }) => top)),
  bottom: Math.max(...line.map(({ bottom }) => bottom)),
})

const seenIn = (line: readonly SeenWord[]) => ({
  box: boxOf(line),
  sure: sureOf(line.filter(({ text }) => /\d/.test(text))),
})

/** The serial on a plate: behind its label, or alone in the line below it. Undefined where none has the form of one, or two do. */
export function serialOn(words: readonly SeenWord[]): PlateLine | undefined {
  const lines = linesOf(words)
  const found = lines.flatMap((line, i): PlateLine[] => {
    const text = textOf(line)
    const label = SERIAL.exec(text)
    if (!label) return []
    const rest = text.slice(label[0].length).trim()
    const value = rest === '' && lines[i + 1] ? textOf(lines[i + 1]!) : rest
    const [first = ''] = value.split(/\s{1,}(?=[A-Za-z]{3,}\b)/)
    const serial = first.replace(/\s+/g, '').toUpperCase()
    return SERIAL_FORM.test(serial) && serial.length >= SHORTEST_SERIAL && /\d/.test(serial)
      ? [{ label: 'serial', value: serial, ...seenIn(rest === '' ? lines[i + 1]! : line) }]
      : []
  })
  return found.length === 1 ? found[0] : undefined
}

/** A letter that looks like a figure, beside a figure within one group, may be one: such a serial is typed by hand. */
export const isDoubtful = (serial: string): boolean => /[OQDILSZBG]\d|\d[OQDILSZBG]/.test(serial)

export function modelOn(words: readonly SeenWord[]): PlateLine | undefined {
  for (const line of linesOf(words)) {
    const text = textOf(line)
    const label = MODEL.exec(text)
    if (label) return { label: 'model', value: text.slice(label[0].length).trim(), ...seenIn(line) }
  }
  return undefined
}

/** What stands behind a label like the one that is asked for: "usable energy 10 kWh" for "usable energy". */
export function lineOf(asked: string, words: readonly SeenWord[]): PlateLine | undefined {
  const wanted = asked.toLowerCase().split(/\W+/).filter(Boolean)
  for (const line of linesOf(words)) {
    const value = line.findIndex(({ text }) => /\d/.test(text))
    if (value < 1) continue
    const label = textOf(line.slice(0, value))
    const own = label.toLowerCase().split(/\W+/).filter(Boolean)
    const shared = wanted.filter((word) => own.includes(word)).length
    if (shared > 0 && 2 * shared >= wanted.length && 2 * shared >= own.length)
      return { label, value: textOf(line.slice(value)).replace(/[|]+$/, '').trim(), ...seenIn(line) }
  }
  return undefined
}

/** What at least two readings say alike with certainty, as people would who compare them, and none says otherwise. */
export function agreed(readings: readonly (PlateLine | undefined)[]): PlateLine | undefined {
  const all = readings.filter((one) => one !== undefined)
  const certain = all.filter(({ sure }) => sure >= CERTAIN)
  const [first] = certain
  const isSaidByAll = all.every(({ value }) => normaliseLabel(value) === normaliseLabel(first?.value ?? ''))
  return certain.length > 1 && isSaidByAll ? first : undefined
}
const CERTAIN = 45
