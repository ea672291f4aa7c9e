import type { NetworkBuilt, NetworkConductor, NetworkPart } from './one-line.js'
import { NetworkGraph, total, type Behind, type FedBy } from './network-graph.js'

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
  /** The most that whatever really limits its sources lets through it, whoever takes it; undefined where nothing does. */
  protectiveDevice: number | undefined
  downstreamDevice: number | undefined
  pvSource: boolean
  /** A grid supply that reaches it through no protective device, where none stands at its far end either. */
  unprotectedFrom: NetworkPart | undefined
  /** Sources that feed it and whose current nobody entered; devices on the way whose rating nobody entered. */
  unknownSources: NetworkPart[]
  unknownDevices: NetworkPart[]
  /** The same where what a machine drives counts at 125 %, since it lasts for hours. */
  readonly protectiveLasting: number | undefined
  /** Does a protective device stand at one of its ends? */
  atDevice: boolean
}

/**
 * Every conductor of an installation with all that can feed it. A conductor between two live sides carries what one side can drive and
 * the other can take: behind a board that is fed by grid and inverter it is their sum, unless a device on the way limits it. What protects
 * it is looked for on every way to every source, through isolators, boards and meters; a machine limits its own current, a grid does not.
 * Source: Kirchhoff's current law; greatest flow between sources, devices and loads.
 */
export function networkLoads(network: NetworkBuilt): ConductorLoad[] {
  const graph = new NetworkGraph(network)
  let lasting: NetworkGraph | undefined
  // Only one school asks for it: the same network is worked out a second time when somebody does.
  const whileLasting = () => (lasting ??= new NetworkGraph({ ...network, parts: network.parts.map(raised) }))
  return network.conductors.map((conductor) => loadOf(conductor, graph, whileLasting))
}

/** What a machine drives lasts for hours; a rating is not raised. */
export const CONTINUOUS = 1.25

const raised = (part: NetworkPart): NetworkPart =>
  part.source === undefined || part.kind === 'grid' ? part : { ...part, source: part.source * CONTINUOUS }

/** A current through a cable in one direction: from the side that drives to the side that takes. */
interface Direction {
  fed: FedBy[]
  takes: number
  /** What the devices beyond let through. */
  passedOn: number
  behind: Behind
}

function loadOf(
  conductor: NetworkConductor,
  graph: NetworkGraph,
  lasting: () => NetworkGraph,
): ConductorLoad {
  const { id, from, to } = conductor
  const [forward, backward] = [direction(from, to, id, graph), direction(to, from, id, graph)]
  const [most, least] = [forward, backward].map(carriedBy) as [number, number]
  // Of two that are equal the source itself drives, not what only feeds it as far as it takes.
  const first = most === least ? total(forward.fed) <= forward.takes : most > least
  const { fed, takes } = first ? forward : backward
  const sum = total(fed)
  const isLimited = takes < sum
  const bothWays = (what: 'unknownSources' | 'unknownDevices') => [
    ...new Set([...forward.behind[what], ...backward.behind[what]]),
  ]
  return {
    conductor,
    sources: fed,
    sum,
    limit: isLimited ? takes : undefined,
    carries: Math.min(sum, takes),
    protectiveDevice: limitOf(conductor, graph),
    get protectiveLasting() {
      return limitOf(conductor, lasting())
    },
    atDevice: [from, to].some((end) => graph.part(end)?.kind === 'device'),
    downstreamDevice: isLimited ? takes : undefined,
    pvSource: false,
    unprotectedFrom: [forward, backward].map(bareGrid).find((grid) => grid !== undefined),
    unknownSources: bothWays('unknownSources'),
    unknownDevices: bothWays('unknownDevices'),
  }
}

/** The most that can pass a cable in either direction, whoever takes it: what its sources drive and every device on the way lets through. */
function limitOf({ id, from, to }: NetworkConductor, graph: NetworkGraph): number | undefined {
  const limits = [
    [from, to],
    [to, from],
  ].map(([near, far]) => Math.min(total(graph.fedFrom(near!, id)), graph.passedOn(far!, id)))
  const most = Math.max(...limits)
  return most > 0 ? most : undefined
}

function direction(from: string, to: string, id: string, graph: NetworkGraph): Direction {
  return {
    fed: graph.fedFrom(from, id),
    takes: graph.takes(to, id),
    passedOn: graph.passedOn(to, id),
    behind: graph.behind(from, id),
  }
}

const carriedBy = ({ fed, takes }: Direction): number => Math.min(total(fed), takes)

/** A device at the far end limits as well as one on the way from the grid. */
const bareGrid = ({ passedOn, behind }: Direction): NetworkPart | undefined =>
  Number.isFinite(passedOn) ? undefined : behind.bareGrid
