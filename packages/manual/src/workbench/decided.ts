import type { Fact } from '../finders/spot.js'
import { figureWords } from '../finders/figure-words.js'
import { othersThan } from '../resolve/others.js'
import { acceptedFacts, type Workbench } from './workbench.js'

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
