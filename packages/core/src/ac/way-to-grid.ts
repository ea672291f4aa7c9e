import type { NetworkBuilt, NetworkPart } from './one-line.js'

/**
 * The parts on the shortest way from one to the grid, nearest first, without itself; undefined when no way leads there. `passing` says which
 * parts may be passed on the way: with it a way round a breaker is found.
 */
export function wayToGrid(
  start: NetworkPart,
  { parts, conductors }: NetworkBuilt,
  passing: (part: NetworkPart) => boolean = () => true,
): NetworkPart[] | undefined {
  const queue: NetworkPart[][] = [[start]]
  const seen = new Set([start.id])
  for (let way = queue.shift(); way; way = queue.shift()) {
    const last = way.at(-1)!
    if (last.kind === 'grid') return way.slice(1)
    for (const { from, to } of conductors) {
      const next = from === last.id ? to : to === last.id ? from : undefined
      const part = next !== undefined && !seen.has(next) ? parts.find(({ id }) => id === next) : undefined
      if (!part || !passing(part)) continue
      seen.add(part.id)
      queue.push([...way, part])
    }
  }
  return undefined
}
