import { readSheet, sheetId, type Sheet } from '@plumb-mark/core'
import type { Chance } from '../chance.js'

type Window = Record<string, string | number>
interface Written {
  model: string
  requirements: ({ kind: string; dimension?: string; hears?: string; clear?: Window } & Window)[]
  terminals?: { torque?: Window; strip?: Window }[]
}

const written = (sheet: Sheet) => JSON.parse(JSON.stringify(sheet)) as Written

/** A sheet with other figures: every limit that is written with a length or a torque is moved by its own share. */
export function variedSheet(sheet: Sheet, chance: Chance): Sheet {
  const data = written(sheet)
  if (data.model === 'SL-20') heardByBoxes(data)
  for (const requirement of data.requirements) {
    const by = chance.between(0.92, 1.08)
    if (requirement.kind === 'limits' && ['length', 'torque'].includes(requirement.dimension ?? ''))
      scale(requirement, ['min', 'max'], by)
    if (requirement.clear) scale(requirement.clear, Object.keys(requirement.clear), by)
  }
  for (const { torque, strip } of data.terminals ?? []) {
    const by = chance.between(0.9, 1.1)
    for (const window of [torque, strip]) if (window) scale(window, Object.keys(window), by)
  }
  return readSheet(data)
}

/** Here it hears boxes, whose serials nobody copied. */
function heardByBoxes(data: Written): void {
  data.requirements = data.requirements.filter(({ kind }) => kind !== 'serial-map')
  for (const requirement of data.requirements) if (requirement.hears) requirement.hears = 'module-electronics'
}

/** A limit is a figure, or text with its unit. */
function scale(window: Window, ends: readonly string[], by: number): void {
  for (const end of ends) {
    const was = window[end]
    if (typeof was === 'number') window[end] = Number((was * by).toFixed(2))
    if (typeof was === 'string')
      window[end] = was.replace(/[\d.]+/, (figure) => (Number(figure) * by).toFixed(2))
  }
}

/** The same sheet in a revision of its own, changed by hand. */
export function nextRevision(sheet: Sheet, change: (data: Written) => void): { id: string; sheet: Sheet } {
  const data = { ...written(sheet), revision: `${sheet.revision}-next` }
  change(data)
  const read = readSheet(data)
  return { id: sheetId(read), sheet: read }
}
