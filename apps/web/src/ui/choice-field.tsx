import type { ReactNode } from 'react'
import { Field } from './field.js'
import { Select } from './select.js'

/** A value that can be chosen, and its words. */
export type Option<T extends string = string> = readonly [value: T, words: string]

/** The members of a closed list with their words. */
export function optionsOf<T extends string>(
  list: readonly T[],
  words: Readonly<Record<T, string>> | ((one: T) => string),
): Option<T>[] {
  return list.map((one) => [one, typeof words === 'function' ? words(one) : words[one]])
}

/** Things that carry an id and a label, to choose one by its name. */
export function named(things: readonly { id: string; label: string }[]): Option[] {
  return things.map(({ id, label }) => [id, label])
}

interface Props<T extends string> {
  label: string
  value: NoInfer<T>
  options: readonly Option<T>[]
  onChange: (value: T) => void
  disabled?: boolean
  required?: boolean
  problem?: string | undefined
  hint?: ReactNode
}

/** One of a list, under its label. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
  disabled,
  required,
  problem,
  hint,
}: Props<T>) {
  return (
    <Field label={label} problem={problem} hint={hint}>
      {(ids) => (
        <Select
          {...ids}
          value={value}
          disabled={disabled}
          required={required}
          onChange={(event) => onChange(event.target.value as T)}
        >
          {options.map(([one, words]) => (
            <option key={one} value={one}>
              {words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  )
}
