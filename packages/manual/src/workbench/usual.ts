import type { Sheet } from '@plumb-mark/core'
import { factsOfSheet } from '../edition/sheet-facts.js'
import { FACT_KINDS, type Fact, type FactKind } from '../finders/spot.js'

/** Without a library to go by: what sheets of units mostly demand. */
const USUAL: readonly FactKind[] = [
  'clearance',
  'temperature',
  'mass',
  'torque',
  'conductor',
  'strip',
  'earth',
  'wait',
  'step',
  'indicator',
  'setting',
  'rating',
]

/** What at least half of the sheets of a kind of unit demand, in the order in which facts are told apart. */
export function usualKinds(sheets: readonly Sheet[]): readonly FactKind[] {
  if (sheets.length === 0) return USUAL
  const demanded = sheets.map((sheet) => new Set(factsOfSheet(sheet).map(({ fact }) => fact.kind)))
  return FACT_KINDS.filter((kind) => 2 * demanded.filter((kinds) => kinds.has(kind)).length >= sheets.length)
}

/** What is usual and was not found: to be looked for, or said to be not demanded. */
export const missingKinds = (facts: readonly Fact[], usual: readonly FactKind[]): FactKind[] =>
  usual.filter((kind) => !facts.some((fact) => fact.kind === kind))
