import { variantOf } from './read-draft.js'
import type { JsonSchema } from '../shape/shape.js'

/** Paths of the fields that a shape has no place for and reading passes over. Where data fit no shape at all nothing is said. */
export function unknownFields(schema: JsonSchema, data: unknown, path = ''): string[] {
  if (typeof data !== 'object' || data === null) return []
  const here = schema.oneOf ? schema.oneOf[variantOf(schema.oneOf, data)]! : schema
  if (Array.isArray(data))
    return here.items ? data.flatMap((one, i) => unknownFields(here.items!, one, `${path}[${i}]`)) : []
  // An object of which nothing is said is somebody else's to read.
  if (here.type !== 'object' || (!here.properties && !here.additionalProperties)) return []
  return Object.entries(data).flatMap(([name, value]) => {
    const at = path ? `${path}.${name}` : name
    const inside = here.properties?.[name] ?? here.additionalProperties
    return inside ? unknownFields(inside, value, at) : [at]
  })
}
