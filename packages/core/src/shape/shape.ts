import { BadInput } from './bad-input.js'

/**
 * Shapes: what an input must look like, said once. A shape reads unknown data into a typed value (or throws `BadInput` with a path),
 * and describes itself as JSON Schema for the command line's manual and the calculators' forms.
 */
export interface Shape<T> {
  read(value: unknown, path: string): T
  schema: JsonSchema
  /** True when the field may be left out of an object. */
  mayBeAbsent?: true
}

/** The part of JSON Schema that shapes use; `x-unit` carries the canonical unit of a number. */
export interface JsonSchema {
  type?: string
  description?: string
  enum?: readonly unknown[]
  default?: unknown
  properties?: Record<string, JsonSchema>
  required?: string[]
  items?: JsonSchema
  additionalProperties?: JsonSchema
  oneOf?: JsonSchema[]
  minimum?: number
  maximum?: number
  exclusiveMinimum?: number
  minItems?: number
  maxItems?: number
  pattern?: string
  'x-unit'?: string
}

export type Read<S> = S extends Shape<infer T> ? T : never

/** Beyond this no instrument of the trade reads, and products of a few such numbers still stay finite. */
export const LARGEST = 1e15
const SMALLEST_DIVISOR = 1e-12

export interface NumberRules {
  unit?: string
  about?: string
  /** `any` by default; `divisor` also refuses zero. */
  sign?: 'any' | 'magnitude' | 'divisor'
  min?: number
  max?: number
}

/** A finite number in the canonical unit named. */
export function num({ unit, about, sign = 'any', min, max }: NumberRules = {}): Shape<number> {
  const least = min ?? (sign === 'magnitude' ? 0 : undefined)
  const low = Math.max(
    -LARGEST,
    min ?? -Infinity,
    { any: -Infinity, magnitude: 0, divisor: SMALLEST_DIVISOR }[sign],
  )
  const high = Math.min(LARGEST, max ?? Infinity)
  return {
    schema: {
      type: 'number',
      ...(about && { description: about }),
      ...(unit && { 'x-unit': unit }),
      ...(least !== undefined && { minimum: least }),
      ...(sign === 'divisor' && { exclusiveMinimum: 0 }),
      ...(max !== undefined && { maximum: max }),
    },
    read(value, path) {
      // Nearly every figure is in order: one comparison lets it through, and NaN fails it too.
      if (typeof value === 'number' && value >= low && value <= high) return value
      const n = finite(value, path)
      if (sign === 'magnitude' && n < 0) throw new BadInput('negative', path, 'must not be negative')
      if (sign === 'divisor' && n <= 0) throw new BadInput('not-positive', path, 'must be greater than zero')
      if (sign === 'divisor' && n < SMALLEST_DIVISOR)
        throw new BadInput('out-of-range', path, 'is too small to be a measured value')
      if (min !== undefined && n < min) throw new BadInput('out-of-range', path, `must be at least ${min}`)
      if (max !== undefined && n > max) throw new BadInput('out-of-range', path, `must be at most ${max}`)
      return n
    },
  }
}

function finite(value: unknown, path: string): number {
  requirePresent(value, path)
  if (typeof value !== 'number')
    throw new BadInput('wrong-type', path, `must be a number, not ${kindOf(value)}`)
  if (!Number.isFinite(value)) throw new BadInput('not-finite', path, 'must be a finite number')
  if (Math.abs(value) > LARGEST)
    throw new BadInput('out-of-range', path, 'is too large to be a measured value')
  return value
}

/** An object that is taken as it is: somebody else reads it against a shape that is not known here. */
export function jsonObject<T extends object>(about?: string): Shape<T> {
  return {
    schema: { type: 'object', ...(about && { description: about }) },
    read: (value, path) => requireObject(value, path) as T,
  }
}

/** A whole number within bounds. */
export const whole = ({ min, max, about }: { min: number; max?: number; about?: string }): Shape<number> =>
  count(about, { min, ...(max !== undefined && { max }) })

/** A whole number, 1 or more unless it says otherwise. */
export function count(about?: string, { min = 1, max }: { min?: number; max?: number } = {}): Shape<number> {
  return {
    schema: {
      type: 'integer',
      minimum: min,
      ...(max !== undefined && { maximum: max }),
      ...(about && { description: about }),
    },
    read(value, path) {
      const n = finite(value, path)
      if (!Number.isInteger(n) || n < min)
        throw new BadInput('not-a-count', path, `must be a whole number, ${min} or more`)
      if (max !== undefined && n > max) throw new BadInput('out-of-range', path, `must be at most ${max}`)
      return n
    },
  }
}

/** A percentage from 0 to 100, both included. */
export const percent = (about?: string): Shape<number> =>
  num({ unit: '%', min: 0, max: 100, ...(about && { about }) })

/** Text with something in it. */
export function text<T extends string = string>(about?: string): Shape<T> {
  return {
    schema: { type: 'string', ...(about && { description: about }) },
    read(value, path) {
      requirePresent(value, path)
      if (typeof value !== 'string')
        throw new BadInput('wrong-type', path, `must be text, not ${kindOf(value)}`)
      if (value.trim() === '') throw new BadInput('missing', path, 'must not be blank')
      return value as T
    },
  }
}

/** Text of one fixed form, such as a digest: whatever else is refused before it becomes part of a name or a path. */
export function textLike(pattern: RegExp, about: string): Shape<string> {
  return {
    schema: { type: 'string', description: about, pattern: pattern.source },
    read(value, path) {
      requirePresent(value, path)
      if (typeof value !== 'string')
        throw new BadInput('wrong-type', path, `must be text, not ${kindOf(value)}`)
      if (!pattern.test(value)) throw new BadInput('malformed', path, `must be ${about}`)
      return value
    },
  }
}

/** SHA-256 as lower-case hex. */
export const digestText = (): Shape<string> =>
  textLike(/^[0-9a-f]{64}$/, 'a SHA-256 digest in lower-case hex')
/** The form of every id that an installation gives to jobs, entries, photos and traces. */
export const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/
export const uuidText = (): Shape<string> => textLike(UUID, 'a UUID in lower-case hex')

/** Text as it was typed, blank or not. */
export function anyText(about?: string): Shape<string> {
  return {
    schema: { type: 'string', ...(about && { description: about }) },
    read(value, path) {
      requirePresent(value, path)
      if (typeof value !== 'string')
        throw new BadInput('wrong-type', path, `must be text, not ${kindOf(value)}`)
      return value
    },
  }
}

export function flag(about?: string): Shape<boolean> {
  return {
    schema: { type: 'boolean', ...(about && { description: about }) },
    read(value, path) {
      requirePresent(value, path)
      if (typeof value !== 'boolean')
        throw new BadInput('wrong-type', path, `must be true or false, not ${kindOf(value)}`)
      return value
    },
  }
}

/** One of a closed list of words or numbers. */
export function oneOf<const T extends string | number>(values: readonly T[], about?: string): Shape<T> {
  return {
    schema: { enum: values, ...(about && { description: about }) },
    read(value, path) {
      requirePresent(value, path)
      if (!values.includes(value as T))
        throw new BadInput('not-listed', path, `must be one of ${values.join(', ')}`)
      return value as T
    },
  }
}

/** May be left out, or null, which is the same. */
export function optional<T>(shape: Shape<T>): Shape<T | undefined> & { mayBeAbsent: true }
export function optional<T>(shape: Shape<T>, otherwise: T): Shape<T> & { mayBeAbsent: true }
export function optional<T>(shape: Shape<T>, otherwise?: T): Shape<T | undefined> & { mayBeAbsent: true } {
  return {
    mayBeAbsent: true,
    schema: otherwise === undefined ? shape.schema : { ...shape.schema, default: otherwise },
    read: (value, path) => (value === undefined || value === null ? otherwise : shape.read(value, path)),
  }
}

export interface ListRules {
  about?: string
  /** Required lists are refused when empty unless this says otherwise: a record of nothing is a fact, a plan of nothing is not. */
  mayBeEmpty?: boolean
  max?: number
}

/** What no list of the trade comes near; where work grows faster than the list, the calculator says less. */
const LONGEST_LIST = 10_000

export function list<T>(
  item: Shape<T>,
  { about, mayBeEmpty = false, max = LONGEST_LIST }: ListRules = {},
): Shape<T[]> {
  return {
    schema: {
      type: 'array',
      items: item.schema,
      ...(!mayBeEmpty && { minItems: 1 }),
      maxItems: max,
      ...(about && { description: about }),
    },
    read(value, path) {
      requirePresent(value, path)
      if (!Array.isArray(value))
        throw new BadInput('wrong-type', path, `must be a list, not ${kindOf(value)}`)
      if (value.length === 0 && !mayBeEmpty) throw new BadInput('empty', path, 'must not be empty')
      if (value.length > max) throw new BadInput('wrong-length', path, `must have at most ${max} entries`)
      return readAll(item, value, path)
    },
  }
}

/** Reads a list without spelling out a path for every entry; only when one is refused is it read again to name the place. */
function readAll<T>(item: Shape<T>, values: readonly unknown[], path: string): T[] {
  try {
    return values.map((one) => item.read(one, ''))
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    return values.map((one, i) => item.read(one, `${path}[${i}]`))
  }
}

/**
 * A long list that is checked in one quick pass and handed on as it is; `isFine` sees each entry and the one before it, and must accept
 * only what `slow` would read unchanged. When it does not accept an entry, `slow` reads the list and names the place and the fault.
 */
export function longList<T>(
  slow: Shape<T[]>,
  isFine: (one: unknown, before: unknown) => boolean,
): Shape<T[]> {
  return {
    schema: slow.schema,
    read: (value, path) =>
      Array.isArray(value) && value.length > 0 && allOf(value, isFine)
        ? (value as T[])
        : slow.read(value, path),
  }
}

function allOf(values: readonly unknown[], isFine: (one: unknown, before: unknown) => boolean): boolean {
  let before: unknown
  for (let i = 0; i < values.length; i++) {
    const one = values[i]
    if (!isFine(one, before)) return false
    before = one
  }
  return true
}

/** An object with any keys, whose values all have one shape. */
export function dictionary<T>(item: Shape<T>, about?: string): Shape<Record<string, T>> {
  return {
    schema: { type: 'object', additionalProperties: item.schema, ...(about && { description: about }) },
    read(value, path) {
      const given = requireObject(value, path)
      const pairs = Object.keys(given).map((key) => [key, item.read(given[key], join(path, key))] as const)
      return Object.fromEntries(pairs) as Record<string, T>
    },
  }
}

type Fields = Record<string, Shape<unknown>>
type OptionalKeys<F extends Fields> = { [K in keyof F]: undefined extends Read<F[K]> ? K : never }[keyof F]
export type ReadObject<F extends Fields> = { [K in Exclude<keyof F, OptionalKeys<F>>]: Read<F[K]> } & {
  [K in OptionalKeys<F>]?: Read<F[K]>
}

export interface ObjectShape<F extends Fields> extends Shape<ReadObject<F>> {
  fields: F
}

/** An object with the named fields; others are ignored. */
export function object<F extends Fields>(fields: F, about?: string): ObjectShape<F> {
  const names = Object.keys(fields)
  const shapes = Object.values(fields)
  return {
    fields,
    schema: {
      type: 'object',
      properties: Object.fromEntries(names.map((name) => [name, fields[name]!.schema])),
      required: names.filter((name) => !fields[name]!.mayBeAbsent),
      ...(about && { description: about }),
    },
    read(value, path) {
      const given = requireObject(value, path)
      const result: Record<string, unknown> = {}
      for (let i = 0; i < names.length; i++) {
        const name = names[i]!
        const read = shapes[i]!.read(given[name], path === '' ? name : `${path}.${name}`)
        if (read !== undefined) result[name] = read
      }
      return result as ReadObject<F>
    },
  }
}

/** An object whose field `tag` says which of several shapes it has. */
export function variants<K extends string, V extends Record<string, ObjectShape<Fields>>>(
  tag: K,
  shapes: V,
): Shape<{ [N in keyof V & string]: Read<V[N]> & Record<K, N> }[keyof V & string]> {
  const names = Object.keys(shapes)
  const tagShape = oneOf(names)
  return {
    schema: {
      oneOf: names.map((name) => {
        const { properties, required } = shapes[name]!.schema
        return {
          type: 'object',
          properties: { [tag]: { enum: [name] }, ...properties },
          required: [tag, ...(required ?? [])],
        }
      }),
    },
    read(value, path) {
      const given = requireObject(value, path)
      const name = tagShape.read(given[tag], join(path, tag))
      return { [tag]: name, ...shapes[name]!.read(value, path) } as never
    },
  }
}

/** Adds a rule that looks at several fields at once; it throws `BadInput` itself. */
export function refine<S extends Shape<unknown>>(shape: S, check: (value: Read<S>, path: string) => void): S {
  return {
    ...shape,
    read(value: unknown, path: string) {
      const read = shape.read(value, path) as Read<S>
      check(read, path)
      return read
    },
  }
}

/** `min` and `max`, at least one of them, the right way round. */
export function range(unit?: string, about?: string) {
  const end = () => optional(num({ ...(unit && { unit }) }))
  return refine(object({ min: end(), max: end() }, about), requireRange)
}

/** Refuses a range that says nothing or is upside down. */
export function requireRange(
  { min, max }: { min?: number | undefined; max?: number | undefined },
  path: string,
): void {
  if (min === undefined && max === undefined)
    throw new BadInput('no-content', path, 'needs a min, a max or both')
  if (min !== undefined && max !== undefined && min > max)
    throw new BadInput('min-above-max', join(path, 'min'), 'must not be above max')
}

/** Refuses two entries of a list with one id. */
export function requireUniqueIds(items: readonly { id: string }[], path: string, key = 'id'): void {
  const seen = new Set<string>()
  items.forEach(({ id }, i) => {
    if (seen.has(id)) throw new BadInput('duplicate-id', `${path}[${i}].${key}`, `"${id}" is used twice`)
    seen.add(id)
  })
}

export function join(path: string, name: string): string {
  return path ? `${path}.${name}` : name
}

function requirePresent(value: unknown, path: string): void {
  if (value === undefined || value === null) throw new BadInput('missing', path, 'is required')
}

function requireObject(value: unknown, path: string): Record<string, unknown> {
  requirePresent(value, path)
  if (typeof value !== 'object' || Array.isArray(value))
    throw new BadInput('wrong-type', path, `must be an object, not ${kindOf(value)}`)
  return value as Record<string, unknown>
}

function kindOf(value: unknown): string {
  if (Array.isArray(value)) return 'a list'
  if (value === null) return 'nothing'
  return (
    { string: 'text', number: 'a number', boolean: 'true or false', object: 'an object' }[
      typeof value as string
    ] ?? typeof value
  )
}
