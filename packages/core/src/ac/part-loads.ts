import type { NetworkBuilt, NetworkPart } from '../as-built/network.js'
import { atMost } from '../verdict/compare.js'
import { NetworkGraph, total } from './network-graph.js'
import { wayToGrid } from './way-to-grid.js'

/** What a part carries at worst, may carry, and is protected by. A. */
export interface PartLoad {
  part: NetworkPart
  carries: number
  /** Its rating, where one is entered. */
  mayCarry: number | undefined
  overloaded: boolean
  /** The nearest protective device on the way to the grid. */
  protectedBy: NetworkPart | undefined
}

/**
 * Every part of an installation with what flows through it at worst. The bars of a board carry all that can feed it, as far as something
 * takes it; a part that cables pass through carries what one of them can bring and the others take; a source what it drives, a load what
 * it can be given. A protective device passes no more than its rating and is never overloaded: it trips.
 */
export function partLoads(network: NetworkBuilt): PartLoad[] {
  const graph = new NetworkGraph(network)
  return network.parts.map((part) => {
    const carries = flowThrough(part, graph)
    const mayCarry = part.rating
    return { part, carries, mayCarry, overloaded: part.kind !== 'device' && mayCarry !== undefined && !atMost(carries, mayCarry), protectedBy: wayToGrid(part, network)?.find(({ kind }) => kind === 'device') }
  })
}

function flowThrough(part: NetworkPart, graph: NetworkGraph): number {
  const sides = graph.at(part.id).map(({ edge, to }) => ({ direct: graph.isDirect(edge), brings: total(graph.fedFrom(to, edge)), takes: graph.takes(to, edge) }))
  const own = part.source ?? 0
  if (part.kind === 'board') return Math.min(sum(sides.map(({ brings }) => brings)), sum(sides.map(({ takes }) => takes)))
  const through = sides.flatMap(({ brings, direct }, i) => {
    const others = sides.filter((side, j) => j !== i && side.direct === direct)
    return others.length === 0 ? [part.kind === 'load' || part.kind === 'battery' ? Math.min(brings, part.rating ?? Infinity) : 0] : [Math.min(brings, sum(others.map(({ takes }) => takes)))]
  })
  const most = Math.max(own, ...through, 0)
  return part.kind === 'device' ? Math.min(most, part.rating ?? Infinity) : most
}

const sum = (amps: readonly number[]): number => amps.reduce((so, each) => so + each, 0)
