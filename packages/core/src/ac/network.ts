import type { NetworkBuilt, NetworkConductor } from './one-line.js'
import { NetworkGraph, total, type FedBy } from './network-graph.js'

/** What a conductor carries: everything that can feed it from its worse side, and the devices that limit or protect it. A. */
export interface ConductorLoad {
  conductor: NetworkConductor
  /** The sources of the side that can drive more through it, each as its own devices limit it. */
  sources: FedBy[]
  /** Their sum. */
  sum: number
  /** What the far side can take at most, where something limits it. */
  limit: number | undefined
  /** What it must carry: the sum, or the limit where that is smaller. */
  carries: number
  protectiveDevice: number | undefined
  downstreamDevice: number | undefined
  pvSource: boolean
}

/**
 * Every conductor of an installation with all that can feed it. A conductor between two live sides carries what one side can drive and
 * the other can take: behind a board that is fed by grid and inverter it is their sum, unless a device on the way limits it. A ring is
 * followed once. Source: Kirchhoff's current law over a tree of sources, devices and loads.
 */
export function networkLoads(network: NetworkBuilt): ConductorLoad[] {
  const graph = new NetworkGraph(network)
  return network.conductors.map((conductor) => loadOf(conductor, graph))
}

function loadOf(conductor: NetworkConductor, graph: NetworkGraph): ConductorLoad {
  const ends = [conductor.from, conductor.to].map((id, i) => ({
    part: graph.part(id),
    fed: graph.fedFrom(id, conductor.id),
    takes: graph.takes(i === 0 ? conductor.to : conductor.from, conductor.id),
  }))
  const [forward, backward] = ends.map(({ fed, takes }) => Math.min(total(fed), takes)) as [number, number]
  // Of two that are equal the source itself drives, not what only feeds it as far as it takes.
  const first = forward === backward ? total(ends[0]!.fed) <= ends[0]!.takes : forward > backward
  const [driving, far] = first ? [ends[0]!, ends[1]!.part] : [ends[1]!, ends[0]!.part]
  const sum = total(driving.fed)
  const limited = driving.takes < sum
  return {
    conductor,
    sources: driving.fed,
    sum,
    limit: limited ? driving.takes : undefined,
    carries: Math.min(sum, driving.takes),
    protectiveDevice:
      driving.part?.kind === 'device' ? driving.part.rating : far?.kind === 'device' ? far.rating : undefined,
    downstreamDevice: limited ? driving.takes : undefined,
    pvSource: false,
  }
}
