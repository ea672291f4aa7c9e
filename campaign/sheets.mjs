import { readFileSync, readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { parse } from 'yaml'
import { readSheet, sheetId } from '@plumb-mark/core'

const FOLDER = fileURLToPath(new URL('../samples/sheets/', import.meta.url))
const SOURCES = new Map(
  readdirSync(FOLDER).map((name) => [name.replace('.yaml', ''), parse(readFileSync(FOLDER + name, 'utf8'))]),
)

/** A sheet of the samples with other figures: every limit that is written with a length or a torque is moved by its own share. */
export function variedSheet(name, chance) {
  const data = structuredClone(SOURCES.get(name))
  if (data.model === 'SL-20') {
    // Here it hears boxes, whose serials nobody copied.
    data.requirements = data.requirements.filter(({ kind }) => kind !== 'serial-map')
    for (const requirement of data.requirements)
      if (requirement.hears) requirement.hears = 'module-electronics'
  }
  for (const requirement of data.requirements) {
    const by = chance.between(0.92, 1.08)
    if (requirement.kind === 'limits' && ['length', 'torque'].includes(requirement.dimension))
      for (const end of ['min', 'max']) if (requirement[end]) requirement[end] = scaled(requirement[end], by)
    if (requirement.kind === 'clearance')
      for (const side of Object.keys(requirement.clear))
        requirement.clear[side] = scaled(requirement.clear[side], by)
  }
  for (const terminal of data.terminals ?? []) {
    const by = chance.between(0.9, 1.1)
    for (const window of ['torque', 'strip'])
      if (terminal[window])
        for (const end of Object.keys(terminal[window]))
          terminal[window][end] = scaled(terminal[window][end], by)
  }
  const sheet = readSheet(data)
  return { id: sheetId(sheet), sheet }
}

function scaled(text, by) {
  return String(text).replace(/[\d.]+/, (figure) => (Number(figure) * by).toFixed(2))
}

/** The same sheet in a revision of its own, changed by hand. */
export function nextRevision(sheet, change) {
  const data = JSON.parse(JSON.stringify(sheet))
  data.revision = `${data.revision}-next`
  change(data)
  const read = readSheet(data)
  return { id: sheetId(read), sheet: read }
}
