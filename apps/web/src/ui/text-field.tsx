import { Input, type InputProps } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import { Field } from './field.js'
import { useFormProblem } from './form-problems.js'

interface Props extends Omit<InputProps, 'value' | 'onChange'> {
  label: string
  value: string
  onChange: (text: string) => void
  problem?: string | undefined
  hint?: ReactNode
}

/** A line of text under its label. */
export function TextField({ label, value, onChange, problem, hint, ...input }: Props) {
  return (
    <Field label={label} problem={problem} hint={hint}>
      {(ids) => (
        <Input {...ids} {...input} value={value} onChange={(event) => onChange(event.target.value)} />
      )}
    </Field>
  )
}

/**
 * How many: a whole number from 1 to `most`. What is no such number says so, and is no count: the form around it does not save. Where
 * nobody needs to have counted, `onClear` takes an empty field for what it is.
 */
export function CountField({
  value,
  most,
  onChange,
  onClear,
  ...field
}: Omit<Props, 'value' | 'onChange' | 'problem'> & {
  value: number | undefined
  most: number
  onChange: (count: number) => void
  onClear?: () => void
}) {
  const shown = value === undefined ? '' : String(value)
  const [typing, setTyping] = useState<string>()
  const problem = countProblem(typing ?? shown, most, onClear !== undefined)
  useFormProblem(problem !== undefined)
  const type = (text: string) => {
    setTyping(text)
    if (text.trim() === '') return onClear?.()
    if (countProblem(text, most, false) === undefined) onChange(Number(text))
  }
  return (
    <TextField
      {...field}
      type="number"
      min={1}
      max={most}
      problem={typing === undefined ? undefined : problem}
      value={typing ?? shown}
      onChange={type}
      onBlur={() => problem === undefined && setTyping(undefined)}
    />
  )
}

function countProblem(text: string, most: number, mayBeEmpty: boolean): string | undefined {
  if (text.trim() === '') return mayBeEmpty ? undefined : `a whole number from 1 to ${most} is needed`
  const count = Number(text)
  return Number.isInteger(count) && count >= 1 && count <= most
    ? undefined
    : `a whole number from 1 to ${most} is needed`
}
