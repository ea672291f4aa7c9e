import { useMemo, useState } from 'react'
import { parse } from 'yaml'
import type { SheetInLibrary } from '@plumb-mark/contract'
import {
  compareEditions,
  decide,
  decideAll,
  factsOfSheet,
  inShownOrder,
  nextOpen,
  undo,
  withFact,
  workbenchOf,
  type Decision,
  type Edition,
  type Fact,
  type ReadFile,
  type Workbench,
} from '@plumb-mark/manual'

export interface OpenBench {
  bench: Workbench
  /** The sheet of before, where the manual is a new edition of one. */
  edition: Edition | undefined
  chosen: number | undefined
  choose: (fact: number) => void
  /** Decides, and goes on to the next that is open. */
  change: (fact: number, decision: Decision) => void
  all: (facts: readonly number[], decision: Decision) => void
  add: (fact: Fact) => void
  back: () => void
  /** A demand of before that is not found any more: not demanded, or kept after all. */
  toggleRemoved: (before: number) => void
}

/** What is proposed, what a person decides of it, and where they stand in it. */
export function useBench(
  facts: readonly Fact[],
  { edition, carried }: { edition?: Omit<Edition, 'removed'> | undefined; carried?: readonly number[] } = {},
): OpenBench {
  const [bench, setBench] = useState(() => workbenchOf(facts, carried))
  const [chosen, setChosen] = useState(() => nextOpen(bench, 0) ?? (facts.length > 0 ? 0 : undefined))
  const [removed, setRemoved] = useState<readonly number[]>([])
  return {
    bench,
    edition: edition && { ...edition, removed },
    chosen,
    choose: setChosen,
    change: (fact, decision) => {
      const next = decide(bench, fact, decision)
      setBench(next)
      if (next.decisions.has(fact)) setChosen(nextOpen(next, fact) ?? fact)
    },
    all: (several, decision) => {
      const next = decideAll(bench, several, decision)
      setBench(next)
      setChosen(nextOpen(next, chosen ?? 0) ?? chosen)
    },
    add: (fact) => setBench(withFact(bench, fact)),
    back: () => setBench(undo(bench)),
    toggleRemoved: (one) =>
      setRemoved(removed.includes(one) ? removed.filter((other) => other !== one) : [...removed, one]),
  }
}

/** What was read of a manual, beside the sheet of the edition of before where there is one. */
export function useReadManual(
  read: Pick<ReadFile, 'facts' | 'observations'>,
  before?: SheetInLibrary,
): OpenBench {
  const { facts, ...beside } = useMemo(() => {
    const found = inShownOrder([...read.facts, ...read.observations])
    return before ? editionOf(found, before) : { facts: found }
  }, [read, before])
  return useBench(facts, beside)
}

/** What a person must look at stands first: what differs, then what is new; the rest was accepted with the edition of before. */
function editionOf(found: readonly Fact[], { sheet, source }: SheetInLibrary) {
  const beforeFacts = factsOfSheet(sheet)
  const { of } = compareEditions(found, beforeFacts)
  const rank = (i: number) => {
    if (found[i]!.contradicts || found[i]!.replaces) return 0
    const match = of.get(i)
    return match ? (match.isSame ? 3 : 1) : 2
  }
  const order = found.map((_, i) => i).sort((a, b) => rank(a) - rank(b))
  const facts = order.map((i) => found[i]!)
  const comparison = compareEditions(facts, beforeFacts)
  return {
    facts,
    edition: { data: parse(source) as Edition['data'], facts: beforeFacts, comparison },
    carried: [...comparison.of].flatMap(([fact, { isSame }]) =>
      isSame && !facts[fact]!.contradicts ? [fact] : [],
    ),
  }
}
