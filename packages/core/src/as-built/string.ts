import { moduleShape } from '../dc/module.js'
import type { PlaceId, StringId, UnitId } from '../ids/ids.js'
import { proposedField } from '../shape/proposed-field.js'
import { anyText, list, object, oneOf, optional, text, whole, type Read } from '../shape/shape.js'

export const COLD_METHODS = ['coefficient', 'table'] as const

export const stringShape = object({
  id: text<StringId>(),
  label: anyText(),
  unitId: text<UnitId>(),
  input: anyText('tracker input on the unit'),
  module: object({ name: anyText(), ...moduleShape.fields }),
  count: whole({ min: 1 }),
  path: optional(
    list(text<PlaceId>(), {
      about: 'in walking order from plus to minus, where it was drawn on the array map',
    }),
  ),
  coldMethod: optional(
    oneOf(COLD_METHODS, 'school of the coldest morning; the coefficient when nobody chose'),
  ),
  proposed: proposedField,
})
export type StringBuilt = Read<typeof stringShape>
