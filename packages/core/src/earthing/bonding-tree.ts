import type { Bond, EarthBuilt } from './bond.js'

/** The way from a part to the main earth terminal: the bonds in order, or undefined when there is none. `through` may rule bonds out. */
export function wayToEarth(
  { parts, bonds }: EarthBuilt,
  from: string,
  through: (bond: Bond) => boolean = () => true,
): Bond[] | undefined {
  const mains = new Set(parts.filter(({ kind }) => kind === 'main-terminal').map(({ id }) => id))
  const reached = new Map<string, Bond[]>([[from, []]])
  const queue = [from]
  for (let part = queue.shift(); part !== undefined; part = queue.shift()) {
    const way = reached.get(part)!
    if (mains.has(part)) return way
    for (const bond of bonds) {
      const next = bond.from === part ? bond.to : bond.to === part ? bond.from : undefined
      if (next === undefined || reached.has(next) || !through(bond)) continue
      reached.set(next, [...way, bond])
      queue.push(next)
    }
  }
  return undefined
}

/** Bonds that a part hangs on: those that lead from it, or to it. */
export const bondsAt = ({ bonds }: EarthBuilt, partId: string): Bond[] =>
  bonds.filter(({ from, to }) => from === partId || to === partId)
