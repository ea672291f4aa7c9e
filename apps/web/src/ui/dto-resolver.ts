import type { FieldErrors, FieldValues, Resolver } from 'react-hook-form'

type Class<T> = new () => T

/**
 * Checks a form with the very DTO class that the server uses. The validator and the classes are fetched when a form is first checked,
 * so that nobody waits for them before.
 */
export function dtoResolver<T extends FieldValues>(
  load: (contract: typeof import('@plumb-mark/contract')) => Class<T>,
): Resolver<T> {
  return async (values) => {
    const contract = await import('@plumb-mark/contract')
    const checked = contract.validate(load(contract), values)
    if (checked.ok) return { values: checked.value, errors: {} }
    const { path = 'root', message } = checked.error
    return { values: {}, errors: { [path]: { type: 'dto', message } } as FieldErrors<T> }
  }
}
