/** One sheet's order on one unit: steps that name the thing they act on, so that orders of several sheets can meet. */
export interface OrderOfUnit {
  unitId: string
  unit: string
  steps: readonly OrderStep[]
}
export interface OrderStep {
  id: string
  label: string
  after: readonly string[]
  /** s after the latest of those before. */
  wait?: number | undefined
  /** What is switched, by a name that other sheets use too. */
  thing?: string | undefined
}

/** A step of the site: one act, whoever's sheets ask for it. */
export interface SiteStep {
  key: string
  label: string
  /** Which steps of which units it is. */
  of: { unitId: string; unit: string; stepId: string }[]
  after: string[]
  wait: number
}

/** Two sheets that want the same two things in opposite orders. */
export interface OrderConflict {
  first: string
  then: string
  /** Whose sheets say so, and whose say the opposite. */
  says: string[]
  denies: string[]
}

/**
 * The orders of several sheets as one: steps that act on one thing are one step, with all that any sheet wants before it and the longest
 * wait. Listed so that nothing comes before what it waits for; where sheets contradict each other both orders are told, and neither is
 * dropped: a person decides. Source: topological order of a directed graph (Kahn).
 */
export function mergedOrder(orders: readonly OrderOfUnit[]): {
  steps: SiteStep[]
  conflicts: OrderConflict[]
} {
  const steps = new Map<string, SiteStep>()
  const wanted: { before: string; key: string; unit: string }[] = []
  for (const { unitId, unit, steps: own } of orders) {
    const keyOf = (id: string) => own.find((step) => step.id === id)?.thing ?? `${unitId}/${id}`
    for (const step of own) {
      const key = step.thing ?? `${unitId}/${step.id}`
      const there = steps.get(key) ?? { key, label: step.label, of: [], after: [], wait: 0 }
      there.of.push({ unitId, unit, stepId: step.id })
      there.wait = Math.max(there.wait, step.wait ?? 0)
      for (const before of step.after.map(keyOf)) {
        wanted.push({ before, key, unit })
        if (before !== key && !there.after.includes(before)) there.after.push(before)
      }
      steps.set(key, there)
    }
  }
  return { steps: inOrder([...steps.values()]), conflicts: conflictsAmong([...steps.values()], wanted) }
}

/** Those first that wait for nothing that is still to come; what goes round in a circle keeps the order in which it was named. */
function inOrder(steps: readonly SiteStep[]): SiteStep[] {
  const left = [...steps]
  const done: SiteStep[] = []
  while (left.length > 0) {
    const at = left.findIndex(({ after }) => !after.some((key) => left.some((one) => one.key === key)))
    done.push(...left.splice(Math.max(0, at), 1))
  }
  return done
}

function conflictsAmong(
  steps: readonly SiteStep[],
  wanted: readonly { before: string; key: string; unit: string }[],
): OrderConflict[] {
  const byKey = new Map(steps.map((step) => [step.key, step]))
  const label = (key: string) => byKey.get(key)!.label
  const pairs = new Map<string, OrderConflict>()
  for (const { before, key, unit } of wanted) {
    // Told once, from the side that was named first.
    const opposite = pairs.get(`${key} ${before}`)
    if (opposite || !reaches(key, before, byKey)) continue
    const pair = pairs.get(`${before} ${key}`) ?? {
      first: label(before),
      then: label(key),
      says: [],
      denies: [],
    }
    if (!pair.says.includes(unit)) pair.says.push(unit)
    pair.denies = [
      ...new Set(
        wanted
          .filter((one) => one.key === before && reaches(key, one.before, byKey, true))
          .map((one) => one.unit),
      ),
    ]
    pairs.set(`${before} ${key}`, pair)
  }
  return [...pairs.values()]
}

/** Does `from` have to come before `to`, by the steps that each waits for? */
function reaches(from: string, to: string, byKey: ReadonlyMap<string, SiteStep>, orSame = false): boolean {
  if (orSame && from === to) return true
  const seen = new Set<string>()
  const visit = (key: string): boolean => {
    if (seen.has(key)) return false
    seen.add(key)
    return (byKey.get(key)?.after ?? []).some((before) => before === from || visit(before))
  }
  return visit(to)
}
