import { capital } from '@plumb-mark/core'
import type { Box } from '../page/page.js'
import type { Fact } from '../finders/spot.js'

/** A fact with what a sheet would say of it. Data of the sheet's own format, not yet read by it. */
export type Data = Record<string, unknown>

/** A figure with its unit, as a sheet writes it. */
export function figure(value: number, unit: string): string {
  return `${Number(value.toPrecision(6))} ${unit}`.trim()
}

/** “min” and “max” as a sheet writes them; a single figure is both ends. */
export function range(fact: Fact, unit = fact.unit): { min?: string; max?: string } {
  const { min, max, value } = fact
  if (value !== undefined) return { min: figure(value, unit), max: figure(value, unit) }
  return {
    ...(min !== undefined && { min: figure(min, unit) }),
    ...(max !== undefined && { max: figure(max, unit) }),
  }
}

/** Where a demand is printed; what a person said without a manual has no page. */
export const placeOf = ({ page, box }: Fact): { page: number; box: number[] } | undefined =>
  page > 0 ? { page, box: corners(box) } : undefined

const corners = ({ x0, top, x1, bottom }: Box) =>
  [x0, top, x1, bottom].map((edge) => Math.max(0, Math.round(edge * 10) / 10))

/** The clause as printed; before the first heading the page says where. */
export const clauseOf = ({ clause, page }: Fact): string => clause || (page > 0 ? `p. ${page}` : '')

/** An id out of words; unique among those that are taken already. */
export function idOf(words: string, taken: Set<string>): string {
  const base =
    words
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40)
      .replace(/-$/, '') || 'demand'
  let id = base
  for (let i = 2; taken.has(id); i++) id = `${base}-${i}`
  taken.add(id)
  return id
}

/** What a fact is called in a sheet: without the heading that was put behind it. */
export const titled = (fact: Fact): string =>
  capital(fact.subject.replace(/\s*\([^)]*\)$/, '').slice(0, 80)) || fact.kind
