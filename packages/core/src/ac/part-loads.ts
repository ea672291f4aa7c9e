import { DRIVING_KINDS, type NetworkBuilt, type NetworkPart } from './one-line.js'
import { atMost } from '../verdict/compare.js'
import { amps } from '../quantity/figure.js'
import { msg, type Message } from '../quantity/message.js'
import { NetworkGraph, total } from './network-graph.js'
import { wayToGrid } from './way-to-grid.js'

/** What a part carries at worst, may carry, and is protected by. A. */
export interface PartLoad {
  part: NetworkPart
  carries: number
  /** Its rating, where one is entered. */
  mayCarry: number | undefined
  overloaded: boolean
  /** Sources that feed it, devices on the way to it, and itself, whose figures decide and were not entered. */
  unknown: NetworkPart[]
  /** The nearest protective device on the way to the grid. */
  protectedBy: NetworkPart | undefined
}

/**
 * Every part of an installation with what flows through it at worst. The bars of a board and a part that cables pass through carry what
 * some of their cables can bring and the others take; a source carries what it drives, a load what it can be given. A protective device
 * passes no more than its rating and is never overloaded: it trips. Source: Kirchhoff's current law.
 */
export function partLoads(network: NetworkBuilt): PartLoad[] {
  const graph = new NetworkGraph(network)
  return network.parts.map((part) => {
    const carries = flowThrough(part, graph)
    const mayCarry = part.rating
    return {
      part,
      carries,
      mayCarry,
      overloaded: part.kind !== 'device' && mayCarry !== undefined && !atMost(carries, mayCarry),
      unknown: unknownFor(part, graph),
      protectedBy: wayToGrid(part, network)?.find(({ kind }) => kind === 'device'),
    }
  })
}

function unknownFor(part: NetworkPart, graph: NetworkGraph): NetworkPart[] {
  const context = graph.at(part.id).map(({ edge, to }) => graph.behind(to, edge))
  const own = DRIVING_KINDS.includes(part.kind) && part.source === undefined ? [part] : []
  return [
    ...new Set([
      ...own,
      ...context.flatMap(({ unknownSources, unknownDevices }) => [...unknownSources, ...unknownDevices]),
    ]),
  ]
}

/** "protected by Breaker 3, 16 A" */
export function protectionWords({ protectedBy }: PartLoad): Message {
  if (!protectedBy) return 'no protective device between it and the grid'
  return msg`protected by ${protectedBy.label}${protectedBy.rating === undefined ? ', rating not entered' : msg`, ${amps(protectedBy.rating)}`}`
}

interface Side {
  brings: number
  takes: number
}

function flowThrough(part: NetworkPart, graph: NetworkGraph): number {
  const sides = graph.at(part.id).map(({ edge, to }) => ({
    direct: graph.isDirect(edge),
    brings: total(graph.fedFrom(to, edge)),
    takes: graph.takes(to, edge),
  }))
  const through = [true, false].map((direct) => worstSplit(sides.filter((side) => side.direct === direct)))
  // A board at the end has outgoing ways that nobody drew.
  const isEnd = part.kind === 'load' || (part.kind === 'board' && sides.length === 1)
  const takesAtMost = part.kind === 'load' ? (part.rating ?? Infinity) : Infinity
  const given = isEnd ? Math.min(sum(sides.map(({ brings }) => brings)), takesAtMost) : 0
  const most = Math.max(part.source ?? 0, given, through[0]!, through[1]! + ownThrough(part, sides))
  return part.kind === 'device' ? Math.min(most, part.rating ?? Infinity) : most
}

/** What an inverter drives itself leaves it beside what passes it, where there is more than one way on its AC side. */
function ownThrough({ kind, source = 0 }: NetworkPart, sides: readonly { direct: boolean }[]): number {
  return kind === 'inverter' && sides.filter(({ direct }) => !direct).length > 1 ? source : 0
}

/** Above this the ways in which cables can bring and take are too many to try: all bring, and all take, which is never too little. */
const MOST_TRIED = 12

/** The greatest current when some cables bring and the others take: a cable does one or the other. */
function worstSplit(sides: readonly Side[]): number {
  if (sides.length < 2) return 0
  if (sides.length > MOST_TRIED)
    return Math.min(sum(sides.map(({ brings }) => brings)), sum(sides.map(({ takes }) => takes)))
  let worst = 0
  for (let bringing = 1; bringing < 2 ** sides.length - 1; bringing++) {
    const [into, out] = [0, 1].map((wanted) => sides.filter((_, i) => ((bringing >> i) & 1) !== wanted))
    worst = Math.max(
      worst,
      Math.min(sum(into!.map(({ brings }) => brings)), sum(out!.map(({ takes }) => takes))),
    )
  }
  return worst
}

const sum = (amps: readonly number[]): number => amps.reduce((so, each) => so + each, 0)
