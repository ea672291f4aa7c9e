import type { Fact } from '../finders/spot.js'

/** The other places that say something else of the same. */
export const othersThan = (fact: Fact, facts: readonly Fact[]): Fact[] =>
  fact.contradicts
    ? facts.filter(
        (one) =>
          one !== fact &&
          one.contradicts &&
          one.kind === fact.kind &&
          one.model === fact.model &&
          one.subject.toLowerCase() === fact.subject.toLowerCase(),
      )
    : []
