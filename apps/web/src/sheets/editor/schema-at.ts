import type { JsonSchema } from '@plumb-mark/core'

/**
 * The part of a schema that describes the place at a path. Where several shapes are possible the data so far say which: the one whose
 * single-word field (a kind) they carry. Undefined where nothing is described.
 */
export function schemaAt(
  schema: JsonSchema,
  path: readonly (string | number)[],
  data: unknown,
): JsonSchema | undefined {
  const here = chosen(schema, data)
  const [head, ...rest] = path
  if (head === undefined) return here
  const inside =
    typeof data === 'object' && data !== null ? (data as Record<string | number, unknown>)[head] : undefined
  const next = typeof head === 'number' ? here.items : (here.properties?.[head] ?? here.additionalProperties)
  return next && schemaAt(next, rest, inside)
}

function chosen(schema: JsonSchema, data: unknown): JsonSchema {
  if (!schema.oneOf || !schema.oneOf.every(({ type }) => type === 'object')) return schema
  const said = (typeof data === 'object' && data !== null ? data : {}) as Record<string, unknown>
  const match = schema.oneOf.find(({ properties }) =>
    Object.entries(properties ?? {}).some(
      ([name, one]) => one.enum?.length === 1 && said[name] === one.enum[0],
    ),
  )
  return match ?? common(schema.oneOf)
}

/** While nobody has said which shape it is: the fields that all have, and every word that says which. */
function common(shapes: readonly JsonSchema[]): JsonSchema {
  const names = Object.keys(shapes[0]?.properties ?? {}).filter((name) =>
    shapes.every(({ properties }) => properties?.[name]),
  )
  const merged = (name: string): JsonSchema => {
    const all = shapes.map(({ properties }) => properties![name]!)
    return all.every((one) => one.enum?.length === 1) ? { enum: all.map((one) => one.enum![0]) } : all[0]!
  }
  return {
    type: 'object',
    properties: Object.fromEntries(names.map((name) => [name, merged(name)])),
    required: [],
  }
}

/** Words that may stand at a place as a value. */
export function valuesOf({ enum: words, type, default: otherwise }: JsonSchema): string[] {
  if (words) return words.map(String)
  return type === 'boolean' ? ['true', 'false'] : otherwise === undefined ? [] : [String(otherwise)]
}
