import type { AsBuilt } from '../as-built/as-built.js'
import { list, object, oneOf, text, type Read } from '../shape/shape.js'

/** What a job asks to be entered, beyond what the sheets ask of it. */
export const ENTERED = ['strings', 'one-line', 'bonds', 'places', 'serials', 'photos'] as const
export type Entered = (typeof ENTERED)[number]

/** How each is said where it lies outside of a job. */
export const ENTERED_WORDS = {
  strings: 'strings and idle inputs',
  'one-line': 'the one-line diagram, its cables and their protection',
  bonds: 'bonds to the main earth terminal',
  places: 'places on the walls',
  serials: 'serials',
  photos: 'photos of what is read off a drawing',
} satisfies Record<Entered, string>

/** Named parts of an installation and why; a job without one is about the whole. What lies outside is not inspected, never conforming. */
export const scopeShape = object({
  outside: list(oneOf(ENTERED), { mayBeEmpty: true, about: 'what this job does not look at' }),
  reason: text('such as: battery added to an existing system'),
})
export type Scope = Read<typeof scopeShape>

/** What was entered of each, by which a scope that leaves it out is contradicted; what hangs on units alone contradicts nothing. */
const ENTERED_HERE: Partial<Record<Entered, (asBuilt: AsBuilt) => boolean>> = {
  strings: ({ strings }) => strings.length > 0,
  'one-line': ({ network }) => network.conductors.length > 0,
  bonds: ({ earth }) => earth.bonds.length > 0,
}

/** What the scope of a job leaves out although it was entered: one of the two is wrong. */
export function contradictedScope({
  header,
  asBuilt,
}: {
  header?: { scope?: Scope | undefined } | undefined
  asBuilt: AsBuilt
}): Entered[] {
  return (header?.scope?.outside ?? []).filter((what) => ENTERED_HERE[what]?.(asBuilt))
}
