import type { Fact } from '../finders/spot.js'
import { figureWords } from '../finders/figure-words.js'
import { acceptedFacts, type Workbench } from './workbench.js'

/** The other places that say something else of the same. */
export const othersThan = (fact: Fact, facts: readonly Fact[]): Fact[] =>
  fact.contradicts
    ? facts.filter(
        (one) =>
          one.contradicts &&
          one !== fact &&
          one.kind === fact.kind &&
          one.model === fact.model &&
          isAlike(one, fact),
      )
    : []

const isAlike = (a: Fact, b: Fact): boolean => a.subject.toLowerCase() === b.subject.toLowerCase()

/** Where a figure stands: "page 4, 5.2". */
export const placeWords = ({ page, clause }: Pick<Fact, 'page' | 'clause'>): string =>
  [page > 0 ? `page ${page}` : '', clause].filter((part) => part !== '').join(', ')

/** What was decided where the manual says two things, in words that stand in the sheet: which figure counts, and which does not. */
export function decidedNotes(bench: Workbench): string[] {
  return acceptedFacts(bench).flatMap((fact) => {
    const printed = bench.facts.find(
      ({ page, box, subject }) => page === fact.page && box === fact.box && subject === fact.subject,
    )
    const others = printed ? othersThan(printed, bench.facts) : []
    const given = (one: Parameters<typeof figureWords>[0] & Pick<Fact, 'page' | 'clause'>) =>
      `${figureWords(one)} (${placeWords(one)})`
    const rather = [
      ...others.map(given),
      ...(fact.replaces ? [given({ ...fact.replaces, kind: fact.kind, unit: fact.unit })] : []),
    ]
    return rather.length === 0 ? [] : [`${fact.subject}: ${given(fact)} rather than ${rather.join(' and ')}`]
  })
}
