import type { PersonId } from '../ids/ids.js'
import { anyText, object, oneOf, text, type Read } from '../shape/shape.js'

export const ROLES = ['inspector', 'installer', 'reviewer', 'office'] as const
export type Role = (typeof ROLES)[number]

export const personShape = object({ id: text<PersonId>(), name: anyText(), role: oneOf(ROLES) })
export type Person = Read<typeof personShape>
