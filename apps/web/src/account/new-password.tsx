import { Input } from '@chakra-ui/react'
import { useState } from 'react'
import type { UseFormRegisterReturn } from 'react-hook-form'
import { Field } from '../ui/field.js'

/** A password that is chosen: typed twice, since nobody sees what was typed. Says whether both are the same. */
export function NewPassword({
  field,
  problem,
  autoFocus = false,
  onSame,
}: {
  field: UseFormRegisterReturn<'password'>
  problem: string | undefined
  autoFocus?: boolean
  onSame: (same: boolean) => void
}) {
  const [typed, setTyped] = useState({ first: '', again: '' })
  const type = (part: Partial<typeof typed>) => {
    const next = { ...typed, ...part }
    setTyped(next)
    onSame(next.first === next.again)
  }
  const differs = typed.again !== '' && typed.first !== typed.again
  return (
    <>
      <Field label="Password, 12 characters or more" problem={problem}>
        {(ids) => (
          <Input
            {...ids}
            {...field}
            type="password"
            autoComplete="new-password"
            autoFocus={autoFocus}
            onChange={(event) => (void field.onChange(event), type({ first: event.target.value }))}
          />
        )}
      </Field>
      <Field label="The same again" problem={differs ? 'is not what was typed above' : undefined}>
        {(ids) => (
          <Input
            {...ids}
            type="password"
            autoComplete="new-password"
            required
            onChange={(event) => type({ again: event.target.value })}
          />
        )}
      </Field>
    </>
  )
}
