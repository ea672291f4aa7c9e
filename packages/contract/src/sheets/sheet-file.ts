import { LineCounter, parseDocument } from 'yaml'
import { readSheet, sheetFaults, unknownSheetFields, type Sheet } from '@plumb-mark/core'

/** Where and why a sheet file was refused; line and column count from 1. */
export interface SheetFault {
  code: string
  message: string
  path?: string
  line?: number
  column?: number
}

/** A sheet that reads, with the fields of the file that reading passes over; or everything that keeps it from being read, at least one fault. */
export type SheetText =
  { ok: true; sheet: Sheet; passedOver: SheetFault[] } | { ok: false; faults: [SheetFault, ...SheetFault[]] }

/** Reads a sheet file, YAML or JSON (which is YAML too). A fault names the line it stands in. */
export function readSheetText(source: string): SheetText {
  const lines = new LineCounter()
  const document = parseDocument(source, { lineCounter: lines, prettyErrors: false })
  const [wrong, ...more] = document.errors.map(({ pos, message }): SheetFault => {
    const { line, col } = lines.linePos(pos[0])
    return { code: 'not-yaml', message, line, column: col }
  })
  if (wrong) return { ok: false, faults: [wrong, ...more] }
  const data: unknown = document.toJS({ maxAliasCount: 50 })
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
