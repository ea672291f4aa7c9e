import { Fragment, type ReactNode } from 'react'
import type { Dimension } from '@plumb-mark/core'
import { ChoiceField, type Option } from './choice-field.js'
import { QuantityInput } from './quantity-input.js'
import { CountField, TextField } from './text-field.js'
import { Tick } from './tick.js'

/** The parts of a draft that may hold a value, and may be without one. */
type Holding<D, V> = { [K in keyof D]-?: [V] extends [D[K]] ? K : never }[keyof D] & string

/** One field of a thing that is entered: what it is called, which part of the draft it is, and what may stand in it. */
export type EntityField<D> =
  | { text: Holding<D, string>; label: string }
  | {
      quantity: Holding<D, number | undefined>
      label: string
      dimension: Dimension
      unit?: string | undefined
    }
  | { count: Holding<D, number | undefined>; label: string; most: number; required?: boolean }
  | { tick: Holding<D, boolean | undefined>; label: string }
  | { [K in keyof D]-?: { choice: K & string; label: string; options: readonly Choice<D[K]>[] } }[keyof D]

/** A value that can be chosen and its words; without a value nobody has looked yet. */
type Choice<V> = readonly [value: V | undefined, words: string]

/** Nobody looked yet: neither the usual one nor none. */
export const NOT_READ = [undefined, 'not read yet'] as const
export const NOT_LOOKED = [undefined, 'not looked at yet'] as const

/**
 * The fields of one thing, in their order. A field that is empty or cannot be read leaves its part of the draft without a value, never with
 * the one of before; `onChange` is given the whole draft as it then stands.
 */
export function EntityFields<D extends object>({
  draft,
  onChange,
  fields,
}: {
  draft: D
  onChange: (next: D) => void
  /** What is false is left out, so that a field can depend on another. */
  fields: readonly (EntityField<D> | false)[]
}) {
  const values = draft as Readonly<Record<string, unknown>>
  const put = (of: string) => (value: unknown) => onChange({ ...draft, [of]: value })
  return fields.map((field) => field && <Fragment key={field.label}>{drawn(field, values, put)}</Fragment>)
}

function drawn<D>(
  field: EntityField<D>,
  values: Readonly<Record<string, unknown>>,
  put: (of: string) => (value: unknown) => void,
): ReactNode {
  const { label } = field
  if ('text' in field)
    return (
      <TextField
        label={label}
        value={(values[field.text] as string | undefined) ?? ''}
        required
        onChange={put(field.text)}
      />
    )
  if ('quantity' in field)
    return (
      <QuantityInput
        label={label}
        dimension={field.dimension}
        unit={field.unit}
        value={values[field.quantity] as number | undefined}
        onChange={put(field.quantity)}
      />
    )
  if ('count' in field)
    return (
      <CountField
        label={label}
        most={field.most}
        value={values[field.count] as number | undefined}
        required={field.required ?? false}
        onChange={put(field.count)}
        onClear={() => put(field.count)(undefined)}
      />
    )
  if ('tick' in field)
    return <Tick label={label} checked={values[field.tick] === true} onChange={put(field.tick)} />
  const { choice, options } = field
  return (
    <ChoiceField
      label={label}
      value={nameOf(values[choice])}
      options={options.map(([value, words]): Option => [nameOf(value), words])}
      onChange={(name) => put(choice)(options.find(([value]) => nameOf(value) === name)?.[0])}
    />
  )
}

/** A value as the browser keeps it in a list; what there is none of is empty. */
const nameOf = (value: unknown): string => (value === undefined ? '' : String(value))
