import type { Fact, FactKind } from '../finders/spot.js'
import { clauseOf, figure, idOf, placeOf, range, titled, type Data } from './proposed.js'

const WINDOWS = ['conductor', 'strip', 'torque'] as const satisfies readonly FactKind[]
type Window = (typeof WINDOWS)[number]
/** A row may say the size of an earth conductor: at a terminal it is the size of its conductor. */
const windowOf = ({ kind }: Fact): Window | undefined =>
  kind === 'earth' ? 'conductor' : WINDOWS.find((window) => window === kind)

/** A single torque is a figure without its tolerance: the sheet asks for that, since nobody here knows it. */
const torqueOf = (fact: Fact): Data =>
  fact.value === undefined ? range(fact) : { nominal: figure(fact.value, fact.unit) }

type Side = 'dc' | 'ac' | 'battery' | 'earth' | 'signal'
const SIDES: readonly (readonly [RegExp, Side])[] = [
  [/\b(?:pe|earth|ground|g)\b/i, 'earth'],
  [/\bbatter|^b\s?[+−–-]/i, 'battery'],
  [/\b(?:pv|dc|string|array|module|solar)/i, 'dc'],
  [/\b(?:bus|data|signal|sensor|s1|s2|pulse|control|rs-?485|a, b)\b/i, 'signal'],
]
const sideOf = (words: string): Side => SIDES.find(([pattern]) => pattern.test(words))?.[1] ?? 'ac'

const SPRING = /\b(?:spring|cage clamp|push-in)\b/i

/**
 * Rows of a table that name a terminal, with the windows that stand beside it: at least two of conductor, strip length and torque. How a
 * terminal without a torque is held is left out, and the sheet asks for it, unless the row says so.
 */
export function terminalsOf(facts: readonly Fact[]): { terminals: Data[]; of: ReadonlySet<Fact> } {
  const rows = new Map<string, Fact[]>()
  for (const fact of facts) {
    // Facts of one row have the row for their text.
    if (!windowOf(fact) || !fact.text.includes(' | ')) continue
    const key = `${fact.page} ${fact.clause} ${fact.text}`
    rows.set(key, [...(rows.get(key) ?? []), fact])
  }
  const taken = new Set<string>()
  const of = new Set<Fact>()
  const terminals: Data[] = []
  for (const row of rows.values()) {
    const windows = new Map(row.map((fact) => [windowOf(fact)!, fact]))
    if (windows.size < 2) continue
    const label = titled(row[0]!)
    const torque = windows.get('torque')
    terminals.push({
      id: idOf(label, taken),
      label,
      side: sideOf(`${label} ${row[0]!.subject}`),
      ...(torque ? { clamp: 'torque' } : SPRING.test(row[0]!.text) && { clamp: 'spring' }),
      ...Object.fromEntries(
        [...windows].map(([window, fact]) => [window, window === 'torque' ? torqueOf(fact) : range(fact)]),
      ),
      printed: placeOf(row[0]!),
    })
    for (const fact of windows.values()) of.add(fact)
  }
  return { terminals, of }
}

const STAGE_OF: Record<Side, string> = {
  dc: 'dc',
  ac: 'ac',
  battery: 'battery',
  earth: 'earthing',
  signal: 'meter',
}
const ASKED: Record<Window, { title: string; severity: string; remedy: string }> = {
  torque: {
    title: 'Tightening torque',
    severity: 'major',
    remedy:
      'Prove dead, loosen, check the conductor for damage, tighten within the window with a calibrated driver.',
  },
  strip: {
    title: 'Strip length',
    severity: 'minor',
    remedy: 'Cut back and strip again to the length on the sheet.',
  },
  conductor: {
    title: 'Conductor size',
    severity: 'major',
    remedy: 'Fit a conductor whose size lies in the window of the terminal.',
  },
}

/** What is asked of the terminals of each side that has them: torque, strip length and conductor, each as the terminal says. */
export function askedOfTerminals(terminals: readonly Data[], facts: ReadonlySet<Fact>): Data[] {
  const [first] = facts
  if (!first) return []
  const sides = [...new Set(terminals.map(({ side }) => side as Side))]
  return sides.flatMap((side) =>
    WINDOWS.filter((window) =>
      terminals.some((one) => one['side'] === side && one[window] !== undefined),
    ).map((window) => ({
      kind: 'limits',
      stage: STAGE_OF[side],
      clause: clauseOf(first),
      title: `${ASKED[window].title}, ${side === 'ac' || side === 'dc' ? side.toUpperCase() : side}`,
      severity: ASKED[window].severity,
      each: 'terminal',
      where: { side, ...(window === 'torque' && { clamp: 'torque' }) },
      window,
      remedy: ASKED[window].remedy,
      printed: placeOf(first),
    })),
  )
}
