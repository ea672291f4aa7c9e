import type { Check, KindName, Requirement } from '@plumb-mark/core'

/** A requirement that is known to be of a kind. */
export const as = <K extends KindName>(
  { requirement }: Check,
  kind: K,
): Extract<Requirement, { kind: K }> => {
  if (requirement.kind !== kind) throw new Error(`${requirement.kind} is answered as if it were ${kind}`)
  return requirement as Extract<Requirement, { kind: K }>
}

export const figure = (value: number, typed = `${value}`) => ({ typed, value })

/** Stands for the photo that a sheet wants. */
export const PHOTO = { id: 'p', sha256: 'f' }
