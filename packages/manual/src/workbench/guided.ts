import type { Sheet } from '@plumb-mark/core'
import { factsOfSheet } from '../edition/sheet-facts.js'
import { FACT_KINDS, type Fact, type FactKind } from '../finders/spot.js'
import type { Data } from '../proposal/proposed.js'
import { KIND_GROUPS } from './groups.js'
import type { Edition } from './make-sheet.js'
import { acceptedByNumber, type Workbench } from './workbench.js'

/** Of these a person types the figures; the others come as tables, in the sheet's form. */
export const ASKED_KINDS: readonly FactKind[] = FACT_KINDS.filter(
  (kind) => !['step', 'indicator', 'alarm', 'setting', 'sequence', 'rating', 'size'].includes(kind),
)

/** The figures of a sheet as proposals for another one: none is a fact of it before a person says so, and none stands in its manual. */
export function proposalsOf(sheet: Sheet): Fact[] {
  return factsOfSheet(sheet).map(({ fact }) => ({ ...fact, page: 0 }))
}

/** A sheet to begin from, beside its own figures: each is the one it was taken from. Places and the manual are another sheet's. */
export function startingFrom(sheet: Sheet, data: Data): Omit<Edition, 'removed'> {
  const facts = factsOfSheet(sheet)
  return {
    data: withoutPlaces(data),
    facts,
    comparison: { of: new Map(facts.map((_, i) => [i, { before: i, isSame: true }])), gone: [] },
  }
}

function withoutPlaces(data: Data): Data {
  const own = structuredClone(data)
  delete own['manual']
  for (const list of ['terminals', 'requirements'])
    for (const one of (own[list] ?? []) as Data[]) delete one['printed']
  return own
}

/** What was proposed and nobody accepted is not demanded by the new sheet. */
export function notAcceptedIn(bench: Workbench, edition: Pick<Edition, 'facts'>): number[] {
  const accepted = acceptedByNumber(bench)
  return edition.facts.flatMap((_, i) => (accepted.has(i) ? [] : [i]))
}

/** Kinds in the order of the walk, for the questions of an entry by hand. */
export const askedInOrder = (kinds: readonly FactKind[]): FactKind[] =>
  (Object.keys(KIND_GROUPS) as FactKind[]).filter((kind) => kinds.includes(kind))
