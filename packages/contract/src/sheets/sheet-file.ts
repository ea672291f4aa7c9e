import { readYaml } from './yaml.js'
import { readSheet, sheetFaults, unknownSheetFields, type Sheet } from '@plumb-mark/core'

/** Where and why a sheet file was refused; line and column count from 1. */
export interface SheetFault {
  code: string
  message: string
  path?: string
  line?: number
  column?: number
}

/**
 * A sheet that reads, with the fields of the file that reading passes over; or everything that keeps it from
 * being read, at least one fault.
 */
export type SheetText =
  { ok: true; sheet: Sheet; passedOver: SheetFault[] } | { ok: false; faults: [SheetFault, ...SheetFault[]] }

/**
 * Reads a sheet file, YAML or JSON (which is YAML too). A fault names the line it stands in. What was read lately is given again from
 * what it came to: a record is verified with all its sheets each time it leaves or arrives, and YAML takes a hundred times as
 * long as what it says.
 */
export function readSheetText(source: string): SheetText {
  const known = lately.get(source)
  // Everybody has a copy of their own.
  if (known !== undefined) return JSON.parse(known) as SheetText
  const text = readAnew(source)
  if (text.ok) lately.set(source, JSON.stringify(text))
  if (lately.size > MOST_KNOWN) lately.delete(lately.keys().next().value!)
  return text
}

/** What sheets came to, by their source, the oldest first. */
const lately = new Map<string, string>()
const MOST_KNOWN = 64

function readAnew(source: string): SheetText {
  const yaml = readYaml(source)
  const { lines } = yaml
  if (!yaml.ok) {
    const [wrong, ...more] = yaml.faults.map(({ message, offset }) => notYaml(message, lines.linePos(offset)))
    return { ok: false, faults: [wrong!, ...more] }
  }
  const { document, data } = yaml
  const passedOver = unknownSheetFields(data).map((path): SheetFault => ({
    code: 'unknown-field',
    message: `${path}: the format has no such field here`,
    path,
    ...placeOf(path),
  }))
  const [first, ...others] = sheetFaults(data).map(({ code, message, path }): SheetFault => ({
    code,
    message,
    path,
    ...placeOf(path),
  }))
  return first
    ? { ok: false, faults: [first, ...others, ...passedOver] }
    : { ok: true, sheet: readSheet(data), passedOver }

  /** The line of the field, or of the nearest thing around it that is there. */
  function placeOf(path: string): { line?: number; column?: number } {
    const keys = path
      .split(/[.[\]]+/)
      .filter(Boolean)
      .map((key) => (/^\d+$/.test(key) ? Number(key) : key))
    for (let n = keys.length; n > 0; n--) {
      const node = document.getIn(keys.slice(0, n), true) as { range?: [number, number, number] } | undefined
      if (node?.range) {
        const { line, col } = lines.linePos(node.range[0])
        return { line, column: col }
      }
    }
    return {}
  }
}

const notYaml = (message: string, { line, col }: { line: number; col: number }): SheetFault => ({
  code: 'not-yaml',
  message,
  line: Math.max(1, line),
  column: Math.max(1, col),
})
