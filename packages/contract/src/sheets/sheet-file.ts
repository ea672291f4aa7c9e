import { LineCounter, parseDocument } from 'yaml'
import { BadInput, readSheet, type Sheet } from '@plumb-mark/core'

/** Where and why a sheet file was refused; line and column count from 1. */
export interface SheetFault {
  code: string
  message: string
  path?: string
  line?: number
  column?: number
}

export type SheetText = { ok: true; sheet: Sheet } | { ok: false; fault: SheetFault }

/** Reads a sheet file, YAML or JSON (which is YAML too). A fault names the line it stands in. */
export function readSheetText(source: string): SheetText {
  const lines = new LineCounter()
  const document = parseDocument(source, { lineCounter: lines, prettyErrors: false })
  const [wrong] = document.errors
  if (wrong) {
    const { line, col } = lines.linePos(wrong.pos[0])
    return { ok: false, fault: { code: 'not-yaml', message: wrong.message, line, column: col } }
  }
  try {
    return { ok: true, sheet: readSheet(document.toJS({ maxAliasCount: 50 })) }
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    return { ok: false, fault: { code: problem.code, message: problem.message, path: problem.path, ...placeOf(problem.path) } }
  }

  /** The line of the field, or of the nearest thing around it that is there. */
  function placeOf(path: string): { line?: number; column?: number } {
    const keys = path.split(/[.[\]]+/).filter(Boolean).map((key) => (/^\d+$/.test(key) ? Number(key) : key))
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
