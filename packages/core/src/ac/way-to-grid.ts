import type { NetworkBuilt, NetworkPart } from './one-line.js'

/**
 * The parts on the shortest way from one to the grid, nearest first, without itself; undefined when no way leads there.
 */
export function wayToGrid(
  start: NetworkPart,
  { parts, conductors }: NetworkBuilt,
): NetworkPart[] | undefined {
  const queue: NetworkPart[][] = [[start]]
  const seen = new Set([start.id])
  for (let way = queue.shift(); way; way = queue.shift()) {
    const last = way.at(-1)!
    if (last.kind === 'grid') return way.slice(1)
    for (const { from, to } of conductors) {
      const next = from === last.id ? to : to === last.id ? from : undefined
      const part = next !== undefined && !seen.has(next) ? parts.find(({ id }) => id === next) : undefined
      if (!part) continue
      seen.add(part.id)
      queue.push([...way, part])
    }
  }
  return undefined
}

/** More ways than a person would ever wire: beyond it nobody looks at each. */
const MOST_WAYS = 200

/**
 * Every way from one part to the grid that passes no part twice, each nearest first and without the part itself. A unit that two ways lead
 * to is fed by both. Undefined where there are more ways than can be looked at one by one.
 */
export function waysToGrid(
  start: NetworkPart,
  { parts, conductors }: NetworkBuilt,
): NetworkPart[][] | undefined {
  const byId = new Map(parts.map((part) => [part.id, part]))
  const next = new Map<string, Set<string>>()
  for (const { from, to } of conductors)
    for (const [one, other] of [
      [from, to],
      [to, from],
    ] as const)
      next.set(one, (next.get(one) ?? new Set()).add(other))
  const ways: NetworkPart[][] = []
  let steps = 0
  const walk = (way: NetworkPart[], passed: ReadonlySet<string>): boolean => {
    const last = way.at(-1) ?? start
    if (last.kind === 'grid') return ways.push(way) <= MOST_WAYS
    return [...(next.get(last.id) ?? [])].every((id) => {
      const part = byId.get(id as NetworkPart['id'])
      if (!part || passed.has(id)) return true
      return ++steps <= MOST_WAYS * 50 && walk([...way, part], new Set([...passed, id]))
    })
  }
  return walk([], new Set([start.id])) ? ways : undefined
}
