import type { Message } from '../quantity/message.js'

/** The five words. Calculators give the first three; the engine around them adds the other two. */
export type Verdict = 'does-not-conform' | 'not-proven' | 'not-inspected' | 'conforms' | 'not-applicable'
export type JudgedVerdict = 'conforms' | 'does-not-conform' | 'not-proven'

const BADNESS = {
  'does-not-conform': 4,
  'not-proven': 3,
  'not-inspected': 2,
  conforms: 1,
  'not-applicable': 0,
} satisfies Record<Verdict, number>

/** The worst of a list of verdicts; of an empty list `not-applicable`, since nothing was asked. */
export function worst<V extends Verdict>(verdicts: Iterable<V>): V | 'not-applicable' {
  let result: V | 'not-applicable' = 'not-applicable'
  for (const verdict of verdicts) if (BADNESS[verdict] > BADNESS[result]) result = verdict
  return result
}

/** Sorting key: worst first. */
export function byBadness(a: Verdict, b: Verdict): number {
  return BADNESS[b] - BADNESS[a]
}

/** How the verdicts are said, everywhere. */
export const VERDICT_WORDS = {
  conforms: 'conforms',
  'does-not-conform': 'does not conform',
  'not-proven': 'not proven',
  'not-inspected': 'not inspected',
  'not-applicable': 'not applicable',
} satisfies Record<Verdict, string>

const PLURALS: Partial<Record<Verdict, string>> = {
  conforms: 'conform',
  'does-not-conform': 'do not conform',
}

/** “1 does not conform, 20 conform”: how many there are of each verdict, the worst first. */
export function countWords(verdicts: readonly Verdict[]): string {
  return (Object.keys(BADNESS) as Verdict[])
    .sort(byBadness)
    .map((verdict) => ({ verdict, count: verdicts.filter((one) => one === verdict).length }))
    .filter(({ count }) => count > 0)
    .map(({ verdict, count }) => `${count} ${(count > 1 && PLURALS[verdict]) || VERDICT_WORDS[verdict]}`)
    .join(', ')
}

/** What every judged result carries for people: lines to check with a pencil, and cautions and assumptions. No code reads them. */
export interface Explained {
  working: Message[]
  notes: Message[]
}

export const judged = (conforms: boolean): JudgedVerdict => (conforms ? 'conforms' : 'does-not-conform')
