import { Input, type InputProps } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import { Field } from './field.js'

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
 * How many: a whole number from 1 to `most`. While it is being typed the field may be empty; what is no
 * number leaves the count as it was.
 */
export function CountField({
  value,
  most,
  onChange,
  ...field
}: Omit<Props, 'value' | 'onChange'> & { value: number; most: number; onChange: (count: number) => void }) {
  const [typing, setTyping] = useState<string>()
  const type = (text: string) => {
    setTyping(text)
    const count = Number(text)
    if (Number.isInteger(count) && count >= 1) onChange(Math.min(most, count))
  }
  return (
    <TextField
      {...field}
      type="number"
      min={1}
      max={most}
      value={typing ?? String(value)}
      onChange={type}
      onBlur={() => setTyping(undefined)}
    />
  )
}
