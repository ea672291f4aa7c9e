import { quantity } from '../quantity/quantity-field.js'
import { dayField } from '../shape/time.js'
import { num, count, list, object, oneOf, optional, text, type Read } from '../shape/shape.js'
import { moduleShape } from '../dc/module.js'
import { accuracyShape } from '../instrument/instrument.js'
import { manualOfSheet } from './place.js'
import { terminalShape } from './terminal.js'
import { TECHNOLOGIES, UNIT_KINDS } from './terms.js'

const edge = () => quantity('length', 'of the unit', { sign: 'divisor' })

/** What the array map needs to know of a module beyond its voltages. */
const sheetModule = object({
  ...moduleShape.fields,
  power: optional(quantity('power', 'at standard test conditions')),
  vmp: optional(quantity('voltage', 'at the maximum power point, at standard test conditions')),
  vmpTempCoeff: optional(
    num({
      unit: '%/K',
      min: -1 + 1e-9,
      max: 0,
      about: 'temperature coefficient of the voltage at the maximum power point',
    }),
  ),
  pmaxTempCoeff: optional(
    num({ unit: '%/K', min: -1 + 1e-9, max: 0, about: 'temperature coefficient of the power' }),
  ),
  isc: optional(quantity('current', 'short-circuit current at standard test conditions')),
  cells: optional(count('as printed on the label')),
  technology: optional(oneOf(TECHNOLOGIES)),
})

/** Everything that a sheet says besides its requirements. */
export const sheetHead = object({
  format: oneOf(['plumb-mark-sheet'] as const),
  version: oneOf([1] as const),
  maker: text(),
  model: text(),
  kind: oneOf(UNIT_KINDS),
  title: text(),
  revision: text(),
  date: dayField,
  source: text('the document that the figures are taken from, with its own number and edition'),
  manual: optional(manualOfSheet),
  mass: optional(quantity('mass')),
  size: optional(object({ width: edge(), height: edge(), depth: edge() })),
  ratings: optional(list(object({ name: text(), value: text() }), { mayBeEmpty: true }), []),
  module: optional(sheetModule),
  tools: optional(list(text(), { mayBeEmpty: true, about: 'tools that the maker names' })),
  equipment: optional(list(text(), { mayBeEmpty: true, about: 'protective equipment that the maker names' })),
  figures: optional(
    list(accuracyShape, {
      mayBeEmpty: true,
      about: 'how well the unit’s own figures are: without this they prove nothing',
    }),
  ),
  terminals: optional(list(terminalShape, { mayBeEmpty: true }), []),
})
export type SheetHead = Read<typeof sheetHead>
