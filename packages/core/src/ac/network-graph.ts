import {
  DRIVING_KINDS,
  type NetworkBuilt,
  type NetworkConductor,
  type NetworkPart,
  type PartKind,
} from './one-line.js'
import { Flow } from './ring-flow.js'

export interface FedBy {
  name: string
  amps: number
  /** A rating says how much, not the source itself: the supply's fuse, a device on the way. */
  rated?: boolean
}

export const total = (fed: readonly FedBy[]): number => fed.reduce((sum, { amps }) => sum + amps, 0)

/** What each kind of part can take: whatever comes, nothing, or as much as it can drive itself. */
const TAKES = {
  grid: 'all',
  board: 'all',
  gateway: 'through',
  meter: 'through',
  device: 'through',
  isolator: 'through',
  inverter: 'own',
  battery: 'all',
  generation: 'nothing',
  load: 'own',
} satisfies Record<PartKind, 'all' | 'nothing' | 'own' | 'through'>

const OWN = {
  all: () => Infinity,
  nothing: () => 0,
  own: ({ source, rating }: NetworkPart) => source ?? rating ?? Infinity,
  through: () => 0,
}

/** Joins part to part; two that are joined already would close a ring. */
function hasNoRing(conductors: readonly NetworkConductor[]): boolean {
  const leader = new Map<string, string>()
  const find = (id: string): string => {
    const next = leader.get(id)
    return next === undefined ? id : find(next)
  }
  return conductors.every(({ from, to }) => {
    const [a, b] = [find(from), find(to)]
    if (a === b) return false
    leader.set(a, b)
    return true
  })
}

/** A part of a flow: where current comes in, and where it goes out. */
interface Nodes {
  into: number
  out: number
}

/** What is known of the ways from one side of a cable back to what feeds it. */
export interface Behind {
  /** Does any source lie there? */
  feeds: boolean
  /** Sources whose current nobody entered. */
  unknownSources: NetworkPart[]
  /** Devices that stand first on the way to a source, and whose rating nobody entered. */
  unknownDevices: NetworkPart[]
  /** A grid supply that is reached without passing any device. */
  bareGrid: NetworkPart | undefined
}

const NOTHING_BEHIND: Behind = { feeds: false, unknownSources: [], unknownDevices: [], bareGrid: undefined }

/** What can be asked of an edge, seen from either end. */
type Question = 'fed' | 'takes' | 'passed' | 'behind'
const FROM_START = { fed: 'fed', takes: 'takes', passed: 'passed', behind: 'behind' } satisfies Record<
  Question,
  string
>
const FROM_END = { fed: 'fed-', takes: 'takes-', passed: 'passed-', behind: 'behind-' } satisfies Record<
  Question,
  string
>

/**
 * Who can drive how much to where, and who can take it. A. Between two parts of a tree there is one way, and what lies behind an edge is
 * worked out once; where ways close to a ring, the most that they can carry together is the greatest flow. What passes a part adds up:
 * only what a part itself converts is limited by it, and only a protective device limits what passes. What nobody entered is counted as
 * nothing here and named by `behind`, so that no caller takes it for nothing.
 */
export class NetworkGraph {
  private readonly parts: Map<string, NetworkPart>
  private readonly edges = new Map<string, { edge: string; to: string }[]>()
  private readonly direct: ReadonlySet<string>
  private readonly isTree: boolean
  private readonly known = new Map<string, Record<string, unknown>>()
  private readonly starts: ReadonlyMap<string, string>

  constructor(private readonly network: NetworkBuilt) {
    const { parts, conductors } = network
    this.parts = new Map(parts.map((part) => [part.id, part]))
    this.isTree = hasNoRing(conductors)
    this.starts = new Map(conductors.map(({ id, from }) => [id, from]))
    this.direct = new Set(conductors.filter(({ phases }) => phases === 'dc').map(({ id }) => id))
    for (const { id, from, to } of conductors) {
      this.join(from, { edge: id, to })
      this.join(to, { edge: id, to: from })
    }
  }

  part(id: string): NetworkPart | undefined {
    return this.parts.get(id)
  }

  /** The cables at a part, and the part at the other end of each. */
  at(id: string): readonly { edge: string; to: string }[] {
    return this.edges.get(id) ?? []
  }

  isDirect(edge: string): boolean {
    return this.direct.has(edge)
  }

  /** What can be driven out of a part through the edge named: its own source and all that lies behind it. */
  fedFrom(id: string, through: string): FedBy[] {
    return this.once('fed', id, through, () =>
      this.isTree ? this.fedInTree(id, through) : this.fedInRing(id, through),
    )
  }

  /** What a part and all that lies behind it can take in through the edge named. */
  takes(id: string, through: string): number {
    return this.taken('takes', id, through, (part) => OWN[TAKES[part.kind]](part))
  }

  /** What the devices beyond an edge let through, whatever there is that takes it. */
  passedOn(id: string, through: string): number {
    return this.taken('passed', id, through, (part) => {
      const alike = this.at(part.id).filter(({ edge }) => this.isDirect(edge) === this.isDirect(through))
      return TAKES[part.kind] === 'through' && alike.length > 1 ? 0 : Infinity
    })
  }

  /** What feeds an edge from the side of the part named, as far as somebody said so. */
  behind(id: string, through: string): Behind {
    return this.once('behind', id, through, () =>
      this.isTree ? this.behindInTree(id, through) : this.behindInRing(id, through),
    )
  }

  private fedInTree(id: string, through: string): FedBy[] {
    const part = this.parts.get(id)
    if (!part) return []
    const behind = this.others(id, through).flatMap(({ edge, to }) => this.fedFrom(to, edge))
    return capped([...this.ownOf(part, through), ...behind], limitOf(part))
  }

  private fedInRing(id: string, through: string): FedBy[] {
    const sent: { name: string; amps: number; rated: boolean; arc: number }[] = []
    const flow = new Flow()
    const source = flow.node()
    const node = this.nodes(flow, id, through, (part, { into }) => {
      for (const own of this.ownOf(part, through))
        sent.push({ ...own, rated: own.rated ?? false, arc: flow.arc(source, into, own.amps) })
    })
    if (!node) return []
    flow.send(source, node.out)
    return sent.flatMap(({ name, amps, rated, arc }) => {
      const share = flow.carried(arc)
      if (share <= 0) return []
      return [{ name, amps: share, ...((rated || share < amps) && { rated: true }) }]
    })
  }

  private taken(
    what: 'takes' | 'passed',
    id: string,
    through: string,
    own: (part: NetworkPart) => number,
  ): number {
    return this.once(what, id, through, () => {
      const part = this.parts.get(id)
      if (!part) return 0
      if (this.isBehindInverter(part, through)) return Infinity
      if (!this.isTree) return this.takenInRing(id, through, own)
      const behind = this.others(id, through).reduce(
        (sum, { edge, to }) => sum + this.taken(what, to, edge, own),
        0,
      )
      return Math.min(own(part) + behind, limitOf(part))
    })
  }

  private behindInTree(id: string, through: string): Behind {
    const part = this.parts.get(id)
    if (!part) return NOTHING_BEHIND
    const beyond = this.others(id, through).map(({ edge, to }) => this.behind(to, edge))
    const drives = this.drives(part, through)
    const feeds = drives || beyond.some((one) => one.feeds)
    const isDevice = part.kind === 'device'
    const unread = isDevice && part.rating === undefined && feeds ? [part] : []
    return {
      feeds,
      unknownSources: [
        ...(drives && part.source === undefined ? [part] : []),
        ...beyond.flatMap(({ unknownSources }) => unknownSources),
      ],
      unknownDevices: isDevice ? unread : beyond.flatMap(({ unknownDevices }) => unknownDevices),
      bareGrid: isDevice
        ? undefined
        : part.kind === 'grid'
          ? part
          : beyond.map(({ bareGrid }) => bareGrid).find((grid) => grid !== undefined),
    }
  }

  private drives(part: NetworkPart, through: string): boolean {
    return DRIVING_KINDS.includes(part.kind) && !this.isBehindInverter(part, through)
  }

  private takenInRing(id: string, through: string, own: (part: NetworkPart) => number): number {
    const flow = new Flow()
    const sink = flow.node()
    const node = this.nodes(flow, id, through, (part, { out }) => {
      const most = this.isBehindInverter(part, through) ? Infinity : own(part)
      if (most > 0) flow.arc(out, sink, most)
    })
    return node ? flow.send(node.into, sink) : 0
  }

  /** The parts that can be reached from one without its edge, each as a pair of nodes with what it lets pass between them. */
  private nodes(
    flow: Flow,
    id: string,
    through: string,
    place: (part: NetworkPart, nodes: Nodes) => void,
  ): Nodes | undefined {
    const direct = this.isDirect(through)
    const pairs = new Map<string, Nodes>()
    for (const part of this.parts.values()) {
      const pair = { into: flow.node(), out: flow.node() }
      pairs.set(part.id, pair)
      flow.arc(pair.into, pair.out, limitOf(part))
      place(part, pair)
    }
    for (const { id: edge, from, to } of this.network.conductors) {
      const [a, b] = [pairs.get(from), pairs.get(to)]
      if (edge === through || this.isDirect(edge) !== direct || !a || !b) continue
      flow.arc(a.out, b.into, Infinity)
      flow.arc(b.out, a.into, Infinity)
    }
    return pairs.get(id)
  }

  private behindInRing(id: string, through: string): Behind {
    const found: Behind = {
      feeds: this.feedsAnything(id, through, through),
      unknownSources: [],
      unknownDevices: [],
      bareGrid: undefined,
    }
    const seen = new Set<string>()
    /** `bare` while no device was passed. */
    const visit = (at: string, edge: string, bare: boolean): void => {
      const part = this.parts.get(at)
      const key = `${at} ${String(bare)}`
      if (!part || seen.has(key)) return
      seen.add(key)
      if (this.drives(part, edge) && part.source === undefined) add(found.unknownSources, part)
      if (part.kind === 'grid' && bare) found.bareGrid ??= part
      if (
        part.kind === 'device' &&
        bare &&
        part.rating === undefined &&
        this.feedsAnything(at, edge, through)
      )
        add(found.unknownDevices, part)
      for (const next of this.others(at, edge, through))
        visit(next.to, next.edge, bare && part.kind !== 'device')
    }
    visit(id, through, true)
    return found
  }

  /** Does any source lie at or behind a part? */
  private feedsAnything(id: string, from: string, through: string): boolean {
    const seen = new Set([id])
    const queue = [{ at: id, edge: from }]
    for (let next = queue.shift(); next; next = queue.shift()) {
      const part = this.parts.get(next.at)
      if (part && this.drives(part, next.edge)) return true
      for (const { edge, to } of this.others(next.at, next.edge, through)) {
        if (seen.has(to)) continue
        seen.add(to)
        queue.push({ at: to, edge })
      }
    }
    return false
  }

  /** What a part itself drives through an edge. */
  private ownOf(part: NetworkPart, through: string): FedBy[] {
    return part.source && !this.isBehindInverter(part, through)
      ? [{ name: part.label, amps: part.source, ...(part.kind === 'grid' && { rated: true }) }]
      : []
  }

  /** What goes on from a part on the same side of it, leaving out an edge: an inverter parts the DC side from the AC side. */
  private others(id: string, through: string, without = through) {
    const direct = this.isDirect(through)
    return this.at(id).filter(
      ({ edge }) => edge !== through && edge !== without && this.isDirect(edge) === direct,
    )
  }

  /** On its DC side an inverter's AC figure says nothing: there it takes what the battery gives, and gives nothing that is known. */
  private isBehindInverter({ kind }: NetworkPart, through: string): boolean {
    return kind === 'inverter' && this.isDirect(through)
  }

  /** What lies behind an edge is the same whoever asks: it is worked out once, for each of its two ends. */
  private once<T>(what: Question, id: string, through: string, work: () => T): T {
    let answers = this.known.get(through)
    if (!answers) this.known.set(through, (answers = {}))
    const key = this.starts.get(through) === id ? FROM_START[what] : FROM_END[what]
    if (key in answers) return answers[key] as T
    return (answers[key] = work()) as T
  }

  private join(id: string, edge: { edge: string; to: string }): void {
    const known = this.edges.get(id)
    if (known) known.push(edge)
    else this.edges.set(id, [edge])
  }
}

function add(parts: NetworkPart[], part: NetworkPart): void {
  if (!parts.includes(part)) parts.push(part)
}

/** A protective device passes no more than its rating; a switch, a meter or the bypass of an inverter limits nothing. */
function limitOf({ kind, rating }: NetworkPart): number {
  return kind === 'device' ? (rating ?? Infinity) : Infinity
}

/** Sources behind one device share its rating, the first ones first. */
function capped(fed: readonly FedBy[], limit: number): FedBy[] {
  let left = limit
  return fed.flatMap((one) => {
    const share = Math.min(one.amps, left)
    left -= share
    return share > 0 ? [share < one.amps ? { ...one, amps: share, rated: true } : one] : []
  })
}
