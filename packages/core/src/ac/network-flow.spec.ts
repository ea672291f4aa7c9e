import fc from 'fast-check'
import type { NetworkBuilt, NetworkPart, PartKind } from './one-line.js'
import { networkLoads } from './network.js'
import { cable, part } from './network.testing.js'

const KINDS = ['board', 'device', 'inverter', 'load', 'meter', 'isolator', 'generation', 'battery'] as const

/** Random installations of up to 40 parts: a tree of them, and some cables more that close rings. */
const installations = fc
  .tuple(
    fc.array(fc.tuple(fc.nat(), fc.constantFrom<PartKind>(...KINDS), fc.integer({ min: 1, max: 80 })), {
      minLength: 1,
      maxLength: 39,
    }),
    fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 4 }),
  )
  .map(([rows, rings]): NetworkBuilt => {
    const parts: NetworkPart[] = [part('p0', 'grid', { source: 63 })]
    const conductors = rows.map(([at, kind, amps], i) => {
      parts.push(
        part(`p${i + 1}`, kind, {
          source: ['inverter', 'generation', 'battery'].includes(kind) ? amps : undefined,
          rating: ['device', 'isolator', 'load'].includes(kind) ? amps : undefined,
        }),
      )
      return cable(`p${at % (i + 1)}`, `p${i + 1}`)
    })
    const more = rings.flatMap(([a, b], i) => {
      const [from, to] = [a % parts.length, b % parts.length]
      return from === to ? [] : [{ ...cable(`p${from}`, `p${to}`), id: `ring ${i}` }]
    })
    return { parts, conductors: [...conductors, ...more] }
  })

const TAKEN: Partial<Record<PartKind, 'all' | 'own'>> = {
  grid: 'all',
  board: 'all',
  battery: 'all',
  inverter: 'own',
  load: 'own',
}
const A_LOT = 1e6

/** The greatest flow by the plainest means: a matrix of capacities, and any way that is left, one after the other. */
function greatestFlow(capacity: number[][], source: number, sink: number): number {
  const step = (at: number, most: number, seen: Set<number>): number => {
    if (at === sink) return most
    seen.add(at)
    for (let next = 0; next < capacity.length; next++) {
      const left = capacity[at]![next]!
      if (left <= 1e-9 || seen.has(next)) continue
      const sent = step(next, Math.min(most, left), seen)
      if (sent <= 0) continue
      capacity[at]![next]! -= sent
      capacity[next]![at]! += sent
      return sent
    }
    return 0
  }
  let flow = 0
  for (let sent = step(source, A_LOT, new Set()); sent > 0; sent = step(source, A_LOT, new Set()))
    flow += sent
  return flow
}

/** What can come to, or go from, the end of a cable without that cable itself. */
function reached(network: NetworkBuilt, end: string, without: string, toEnd: boolean): number {
  const n = network.parts.length
  const [into, out] = [(i: number) => 2 * i, (i: number) => 2 * i + 1]
  const capacity = Array.from({ length: 2 * n + 1 }, () => new Array<number>(2 * n + 1).fill(0))
  const index = new Map(network.parts.map(({ id }, i) => [id, i]))
  network.parts.forEach(({ kind, rating, source }, i) => {
    capacity[into(i)]![out(i)] = kind === 'device' ? rating! : A_LOT
    if (toEnd) capacity[2 * n]![into(i)] = source ?? 0
    else
      capacity[out(i)]![2 * n] = TAKEN[kind] === 'all' ? A_LOT : TAKEN[kind] ? (source ?? rating ?? A_LOT) : 0
  })
  for (const { id, from, to } of network.conductors) {
    if (id === without) continue
    const [a, b] = [index.get(from)!, index.get(to)!]
    capacity[out(a)]![into(b)] = A_LOT
    capacity[out(b)]![into(a)] = A_LOT
  }
  const at = index.get(end)!
  return toEnd ? greatestFlow(capacity, 2 * n, out(at)) : greatestFlow(capacity, into(at), 2 * n)
}

it('what a cable of a tree or a ring carries is the greatest flow from the sources on one side to the takers on the other', () => {
  fc.assert(
    fc.property(installations, (network) => {
      for (const { conductor, carries } of networkLoads(network)) {
        const { id, from, to } = conductor
        const ways = [
          [from, to],
          [to, from],
        ].map(([driving, far]) =>
          Math.min(reached(network, driving!, id, true), reached(network, far!, id, false)),
        )
        expect(carries).toBeCloseTo(Math.max(...ways), 6)
      }
    }),
    { seed: 11, numRuns: 60 },
  )
})
