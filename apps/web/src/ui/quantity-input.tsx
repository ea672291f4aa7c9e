import { useContext, useEffect, useState } from 'react'
import { canonicalUnit, formatQuantity, habitsFor, parseQuantity, type Dimension } from '@plumb-mark/core'
import { DecimalMarkContext } from './decimal-mark.js'
import { useFormProblem } from './form-problems.js'
import { TextField } from './text-field.js'

interface Props {
  label: string
  dimension: Dimension
  value: number | undefined
  onChange: (value: number | undefined, typed: string) => void
  /** Unit that is meant when none is typed, and in which the value is shown. */
  unit?: string | undefined
  readOnly?: boolean
  required?: boolean
}

/** A figure in any unit of its kind; it goes on as a canonical value, undefined while it does not read. */
export function QuantityInput({
  label,
  dimension,
  value,
  onChange,
  unit,
  readOnly = false,
  required = false,
}: Props) {
  const decimal = useContext(DecimalMarkContext)
  const shown = value === undefined ? '' : formatQuantity(value, dimension, { decimal, unit: unit ?? '' })
  const [typed, setTyped] = useState(shown)
  const read = (text: string) =>
    text.trim() === ''
      ? undefined
      : parseQuantity(text, dimension, {
          ...habitsFor({ dimension, unit: unit ?? canonicalUnit(dimension) }),
          decimal,
        })
  const parsed = read(typed)
  const mine = parsed?.ok ? parsed.quantity.value : undefined
  // Something else changed the value: what was typed no longer says it.
  useEffect(() => {
    if (value !== mine) setTyped(shown)
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [value])
  const problem =
    parsed && !parsed.ok
      ? parsed.problem.message
      : parsed?.ok && parsed.quantity.relation !== '='
        ? 'a figure without < or > is needed'
        : undefined
  useFormProblem(problem !== undefined)
  const type = (text: string) => {
    setTyped(text)
    const next = read(text)
    onChange(next?.ok && next.quantity.relation === '=' ? next.quantity.value : undefined, text)
  }
  return (
    <TextField
      label={label}
      problem={problem}
      value={typed}
      readOnly={readOnly}
      required={required}
      fontFamily="mono"
      autoComplete="off"
      onChange={type}
    />
  )
}
