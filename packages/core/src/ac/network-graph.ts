import type { NetworkBuilt, NetworkConductor, NetworkPart, PartKind } from './one-line.js'

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

const NOBODY: ReadonlySet<string> = new Set()

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

/** Who can drive how much to where, and who can take it: a tree is worked out once for each edge, a ring is followed once. A. */
export class NetworkGraph {
  private readonly parts: Map<string, NetworkPart>
  private readonly edges = new Map<string, { edge: string; to: string }[]>()
  private readonly direct: ReadonlySet<string>
  private readonly isTree: boolean
  private readonly fed = new Map<string, FedBy[]>()
  private readonly taken = new Map<string, number>()

  constructor({ parts, conductors }: NetworkBuilt) {
    this.parts = new Map(parts.map((part) => [part.id, part]))
    this.isTree = hasNoRing(conductors)
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

  /** What can be driven out of a part through the edge named: its own source and all that lies behind it, no more than its rating. */
  fedFrom(id: string, through: string, seen: ReadonlySet<string> = NOBODY): FedBy[] {
    return this.once(this.fed, id, through, () => this.workOutFed(id, through, seen))
  }

  private workOutFed(id: string, through: string, seen: ReadonlySet<string>): FedBy[] {
    const part = this.parts.get(id)
    if (!part || seen.has(id)) return []
    const path = this.isTree ? NOBODY : new Set([...seen, id])
    const behind = this.others(id, through).flatMap(({ edge, to }) => this.fedFrom(to, edge, path))
    const own =
      part.source && !this.isBehindInverter(part, through)
        ? [{ name: part.label, amps: part.source, ...(part.kind === 'grid' && { rated: true }) }]
        : []
    return capped([...own, ...behind], limitOf(part))
  }

  /** What a part and all that lies behind it can take in through the edge named, A. */
  takes(id: string, through: string, seen: ReadonlySet<string> = NOBODY): number {
    return this.once(this.taken, id, through, () => this.workOutTaken(id, through, seen))
  }

  private workOutTaken(id: string, through: string, seen: ReadonlySet<string>): number {
    const part = this.parts.get(id)
    if (!part || seen.has(id)) return 0
    const path = this.isTree ? NOBODY : new Set([...seen, id])
    if (this.isBehindInverter(part, through)) return Infinity
    const behind = this.others(id, through).reduce((sum, { edge, to }) => sum + this.takes(to, edge, path), 0)
    return Math.min(OWN[TAKES[part.kind]](part) + behind, limitOf(part))
  }

  /** What goes on from a part on the same side of it: an inverter parts the DC side from the AC side. */
  private others(id: string, through: string) {
    const direct = this.isDirect(through)
    return this.at(id).filter(({ edge }) => edge !== through && this.isDirect(edge) === direct)
  }

  isDirect(edge: string): boolean {
    return this.direct.has(edge)
  }

  /** On its DC side an inverter's AC figure says nothing: there it takes what the battery gives, and gives nothing that is known. */
  private isBehindInverter({ kind }: NetworkPart, through: string): boolean {
    return kind === 'inverter' && this.isDirect(through)
  }

  /** In a tree what lies behind an edge is the same whichever way one came to it: it is worked out once. */
  private once<T>(known: Map<string, T>, id: string, through: string, work: () => T): T {
    if (!this.isTree) return work()
    const key = `${id} ${through}`
    const before = known.get(key)
    if (before !== undefined) return before
    const answer = work()
    known.set(key, answer)
    return answer
  }

  private join(id: string, edge: { edge: string; to: string }): void {
    const known = this.edges.get(id)
    if (known) known.push(edge)
    else this.edges.set(id, [edge])
  }
}

const OWN = {
  all: () => Infinity,
  nothing: () => 0,
  own: ({ source, rating }: NetworkPart) => source ?? rating ?? Infinity,
  through: () => 0,
}

/** An inverter passes no more than it drives itself, a protective device no more than its rating; a switch or a meter limits nothing. */
function limitOf({ kind, source, rating }: NetworkPart): number {
  if (kind === 'inverter') return source ?? Infinity
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
