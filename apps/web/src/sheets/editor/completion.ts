import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete'
import { parse } from 'yaml'
import { sheetSchema, type JsonSchema } from '@plumb-mark/core'
import { schemaAt, valuesOf } from './schema-at.js'
import { placeInYaml } from './yaml-path.js'

const SCHEMA = sheetSchema()

/** Offers the fields and words that the format knows at the cursor; what a field is for stands beside it. */
export function completeSheet(context: CompletionContext): CompletionResult | null {
  const text = context.state.doc.toString()
  const { path, atKey, written } = placeInYaml(text.slice(0, context.pos))
  const data = readable(text)
  const schema = schemaAt(SCHEMA, path, data)
  if (!schema) return null
  const from = context.pos - written.length
  const options = atKey
    ? fieldsOf(schema, path, data)
    : valuesOf(schema).map((label): Completion => ({ label, type: 'enum' }))
  return options.length > 0 && (context.explicit || written !== '' || !atKey)
    ? { from, options, validFor: /^[\w-]*$/ }
    : null
}

function fieldsOf(
  { properties, required, items }: JsonSchema,
  path: readonly (string | number)[],
  data: unknown,
): Completion[] {
  const fields = properties ?? items?.properties ?? {}
  const there = path.reduce<unknown>(
    (inside, key) =>
      typeof inside === 'object' && inside !== null
        ? (inside as Record<string | number, unknown>)[key]
        : undefined,
    data,
  )
  const used = typeof there === 'object' && there !== null ? Object.keys(there) : []
  return Object.entries(fields)
    .filter(([name]) => !used.includes(name))
    .map(([name, schema]): Completion => ({
      label: name,
      apply: `${name}: `,
      type: 'property',
      detail: [required?.includes(name) ? 'required' : '', schema['x-unit'] ?? ''].filter(Boolean).join(', '),
      ...(schema.description && { info: schema.description }),
      boost: required?.includes(name) ? 1 : 0,
    }))
}

/** The data of a text that may not parse at the line being written: the lines that do not fit are left out. */
function readable(text: string): unknown {
  try {
    return parse(text, { logLevel: 'silent' })
  } catch {
    try {
      return parse(
        text
          .split('\n')
          .filter((line) => !/^\s*[\w-]*$/.test(line))
          .join('\n'),
        { logLevel: 'silent' },
      )
    } catch {
      return undefined
    }
  }
}
