import type { EditionComparison } from '../edition/compare.js'
import { newEdition } from '../edition/new-edition.js'
import type { SheetFact } from '../edition/sheet-facts.js'
import type { Device } from '../finders/spot.js'
import { draftSheet, type DraftHead } from '../proposal/draft-sheet.js'
import type { Data } from '../proposal/proposed.js'
import { acceptedByNumber, acceptedFacts, type Workbench } from './workbench.js'

/** The sheet of the edition of before, beside which a manual is read. */
export interface Edition {
  data: Data
  facts: readonly SheetFact[]
  comparison: EditionComparison
  /** Numbers of its facts that a person said are not demanded any more. */
  removed: readonly number[]
}

/** The sheet that comes of what a person decided: a new one, or the next revision of the one of before. */
export function sheetOf(
  bench: Workbench,
  device: Device,
  head: DraftHead & { revision: string },
  edition?: Edition,
): Data {
  if (!edition) return draftSheet({ facts: acceptedFacts(bench), device }, head)
  const { data, facts, comparison, removed } = edition
  return newEdition(data, facts, comparison, acceptedByNumber(bench), removed, head)
}

/**
 * Demands of the sheet of before that the manual tells otherwise, or twice, and on which nobody has decided: until then the next revision would
 * keep the old figure under the name of the new edition.
 */
export function openChanges({ facts, decisions }: Workbench, { comparison }: Edition): number {
  const told = new Map<number, number[]>()
  for (const [fact, { before, isSame }] of comparison.of)
    if (!isSame || facts[fact]!.contradicts) told.set(before, [...(told.get(before) ?? []), fact])
  const isTaken = (fact: number) => ['accepted', 'changed'].includes(decisions.get(fact)?.kind ?? '')
  return [...told.values()].filter(
    (places) => !places.some(isTaken) && places.some((fact) => !decisions.has(fact)),
  ).length
}
