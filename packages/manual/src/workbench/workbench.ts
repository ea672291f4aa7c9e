import type { Fact, Figures } from '../finders/spot.js'

/** What a person made of a fact. Until then it is a proposal and nothing of a sheet. */
export type Decision =
  | { kind: 'accepted' }
  | { kind: 'rejected' }
  /** Said of another model than the one that the sheet is for. */
  | { kind: 'other-model' }
  /** Accepted with other figures than were read; what was printed stays beside them. */
  | { kind: 'changed'; figures: Figures; subject?: string }

/** Facts of one manual with what was decided of each, and the way back. */
export interface Workbench {
  facts: readonly Fact[]
  decisions: ReadonlyMap<number, Decision>
  /** What stood before each decision, the latest last. */
  past: readonly { fact: number; before: Decision | undefined; added?: true }[]
}

/** Nothing is decided, but what says the same as the edition of before: that was accepted then. */
export const workbenchOf = (facts: readonly Fact[], carried: readonly number[] = []): Workbench => ({
  facts,
  decisions: new Map(carried.map((fact) => [fact, { kind: 'accepted' }])),
  past: [],
})

/** One decision more. The same decision again takes it back: the fact is open as before. */
export function decide(bench: Workbench, fact: number, decision: Decision): Workbench {
  if (!bench.facts[fact]) return bench
  const before = bench.decisions.get(fact)
  const decisions = new Map(bench.decisions)
  if (before?.kind === decision.kind && decision.kind !== 'changed') decisions.delete(fact)
  else decisions.set(fact, decision)
  return { ...bench, decisions, past: [...bench.past, { fact, before }] }
}

/** A fact that a person found on the page, and accepted by saying so. */
export function withFact(bench: Workbench, fact: Fact): Workbench {
  const number = bench.facts.length
  return {
    facts: [...bench.facts, fact],
    decisions: new Map(bench.decisions).set(number, { kind: 'accepted' }),
    past: [...bench.past, { fact: number, before: undefined, added: true }],
  }
}

/** Several at once, as one may after looking at a whole table: undone one by one. */
export const decideAll = (bench: Workbench, facts: readonly number[], decision: Decision): Workbench =>
  facts
    .filter((fact) => bench.decisions.get(fact)?.kind !== decision.kind)
    .reduce((open, fact) => decide(open, fact, decision), bench)

export function undo(bench: Workbench): Workbench {
  const last = bench.past.at(-1)
  if (!last) return bench
  const decisions = new Map(bench.decisions)
  if (last.before) decisions.set(last.fact, last.before)
  else decisions.delete(last.fact)
  // Later decisions on it are taken back before, so that it is the last of the list.
  const facts = last.added ? bench.facts.slice(0, -1) : bench.facts
  return { facts, decisions, past: bench.past.slice(0, -1) }
}

/** What a person accepted, with the figures as accepted, by its number. */
export const acceptedByNumber = ({ facts, decisions }: Workbench): ReadonlyMap<number, Fact> =>
  new Map(
    facts.flatMap((fact, i): [number, Fact][] => {
      const decision = decisions.get(i)
      if (decision?.kind === 'accepted') return [[i, fact]]
      return decision?.kind === 'changed' ? [[i, changed(fact, decision)]] : []
    }),
  )

export const acceptedFacts = (bench: Workbench): Fact[] => [...acceptedByNumber(bench).values()]

function changed(fact: Fact, { figures, subject }: { figures: Figures; subject?: string }): Fact {
  const plain = { ...fact }
  delete plain.min
  delete plain.max
  delete plain.value
  return { ...plain, ...figures, ...(subject !== undefined && { subject }) }
}

/** The clause that a place stands under: that of the nearest fact before it in the manual; empty where none is. */
export function clauseAt({ facts }: Workbench, page: number, box: Fact['box']): string {
  const before = facts
    .filter((fact) => fact.page < page || (fact.page === page && fact.box.top <= box.top))
    .sort((a, b) => b.page - a.page || b.box.top - a.box.top)
  return before[0]?.clause ?? ''
}

/** The next fact that nobody decided on, from `from` on and round again; undefined when all are. */
export function nextOpen({ facts, decisions }: Workbench, from: number): number | undefined {
  const order = facts.map((_, i) => (from + i) % facts.length)
  return order.find((i) => !decisions.has(i))
}
