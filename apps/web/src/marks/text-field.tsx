import { Input, type InputProps } from '@chakra-ui/react'
import type { ReactNode } from 'react'
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
      {(ids) => <Input {...ids} {...input} value={value} onChange={(event) => onChange(event.target.value)} />}
    </Field>
  )
}

/** How many: a whole number from 1 to `most`; what is not one counts as 1. */
export function CountField({ label, value, most, onChange, ...input }: Omit<Props, 'value' | 'onChange'> & { value: number; most: number; onChange: (count: number) => void }) {
  return <TextField {...input} label={label} type="number" min={1} max={most} value={String(value)} onChange={(text) => onChange(Math.min(most, Math.max(1, Number.parseInt(text, 10) || 1)))} />
}
