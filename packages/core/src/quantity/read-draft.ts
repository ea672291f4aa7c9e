import type { JsonSchema } from '../shape/shape.js'
import { parseQuantity, type TypingHabits } from './parse.js'
import { UNITS, type Dimension } from './units.js'

/** The dimension of a figure whose canonical unit a schema names; undefined for figures that are typed bare, such as %/K or kWh a day. */
export function dimensionOfUnit(unit: string | undefined): Dimension | undefined {
  return unit === undefined
    ? undefined
    : (Object.keys(UNITS) as Dimension[]).find(
        (dimension) => dimension !== 'count' && UNITS[dimension][0]!.name === unit,
      )
}

export interface ReadDraft {
  input: unknown
  /** What is wrong with what was typed, by path (`items[2].clear.left`). */
  problems: Record<string, string>
}

/**
 * Turns a form as it was typed, with figures as text in any unit ("4 1/4 in"), into the input that a calculator takes. Empty fields are
 * left out; what cannot be read is reported at its path and left out as well.
 */
export function readDraft(schema: JsonSchema, draft: unknown, habits: TypingHabits = {}): ReadDraft {
  const reading: Reading = { problems: {}, habits }
  return { input: read(schema, draft, '', reading) ?? {}, problems: reading.problems }
}

interface Reading {
  problems: Record<string, string>
  habits: TypingHabits
}

function read(schema: JsonSchema, draft: unknown, path: string, reading: Reading): unknown {
  if (draft === undefined || draft === null || draft === '') return undefined
  if (schema.oneOf) return readVariant(schema.oneOf, draft, path, reading)
  if (schema.type === 'number' || schema.type === 'integer')
    return typeof draft === 'string' ? figure(draft, schema, path, reading) : draft
  if (schema.enum) return schema.enum.find((one) => String(one) === String(draft)) ?? draft
  if (schema.type === 'array' && Array.isArray(draft))
    return draft.map((one, i) => read(schema.items ?? {}, one, `${path}[${i}]`, reading))
  if (schema.type === 'object' && typeof draft === 'object')
    return readObject(schema, draft as Record<string, unknown>, path, reading)
  return draft
}

function readObject(
  { properties, additionalProperties }: JsonSchema,
  draft: Record<string, unknown>,
  path: string,
  reading: Reading,
): unknown {
  const pairs = Object.entries(draft).map(
    ([key, value]) =>
      [
        key,
        read(properties?.[key] ?? additionalProperties ?? {}, value, path ? `${path}.${key}` : key, reading),
      ] as const,
  )
  const kept = pairs.filter(([, value]) => value !== undefined)
  return kept.length === 0 && !additionalProperties ? undefined : Object.fromEntries(kept)
}

function readVariant(
  variants: readonly JsonSchema[],
  draft: unknown,
  path: string,
  reading: Reading,
): unknown {
  const chosen = variants[variantOf(variants, draft)]!
  // A setting may be text, a number or a switch: text stays text, since it is compared as such.
  return chosen.type === 'string' ? draft : read(chosen, draft, path, reading)
}

/** Which of several shapes a draft means: by the value of its telling field, else by the fields it has. */
export function variantOf(variants: readonly JsonSchema[], draft: unknown): number {
  if (typeof draft !== 'object' || draft === null)
    return Math.max(
      0,
      variants.findIndex(({ type }) => type === typeof draft),
    )
  const given = draft as Record<string, unknown>
  // A word that only one variant allows tells it; a variant that allows another word there is not the one, whatever else fits.
  const byTag = variants.findIndex(({ properties }) => {
    const tags = Object.entries(properties ?? {}).flatMap(([key, { enum: values }]) =>
      values?.length === 1 && given[key] !== undefined ? [values[0] === given[key]] : [],
    )
    return tags.length > 0 && tags.every(Boolean)
  })
  if (byTag >= 0) return byTag
  const fits = variants.map(
    ({ properties }) => Object.keys(given).filter((key) => properties && key in properties).length,
  )
  return fits.indexOf(Math.max(...fits))
}

function figure(
  typed: string,
  schema: JsonSchema,
  path: string,
  { problems, habits }: Reading,
): number | undefined {
  const dimension = dimensionOfUnit(schema['x-unit']) ?? 'count'
  const bare = dimension === 'count' && schema['x-unit'] ? typed.replace(schema['x-unit'], '').trim() : typed
  const parsed = parseQuantity(bare, dimension, habits)
  if (parsed.ok && parsed.quantity.relation === '=') return parsed.quantity.value
  problems[path] = parsed.ok ? 'a figure without < or > is needed here' : parsed.problem.message
  return undefined
}
