/** A way of a current: how much of it can pass from one node to another. */
interface Arc {
  to: number
  left: number
  back: number
}

/**
 * A plain network of capacities, for installations that have rings: what reaches a place is then shared by several ways. A.
 * Source: augmenting paths of least length (Edmonds and Karp).
 */
export class Flow {
  readonly #arcs: Arc[] = []
  readonly #from: number[][] = []

  node(): number {
    return this.#from.push([]) - 1
  }

  /** Lets up to `most` pass from one node to another. The name of the way, to ask afterwards what it carries. */
  arc(from: number, to: number, most: number): number {
    const there = this.#arcs.push({ to, left: most, back: 0 }) - 1
    this.#from[from]!.push(there)
    this.#from[to]!.push(this.#arcs.push({ to: from, left: 0, back: there }) - 1)
    this.#arcs[there]!.back = there + 1
    return there
  }

  /** Sends as much as can pass from one node to another. */
  send(from: number, to: number): number {
    let sent = 0
    for (let way = this.#way(from, to); way; way = this.#way(from, to)) {
      const most = Math.min(...way.map((at) => this.#arcs[at]!.left))
      if (!Number.isFinite(most)) return Infinity
      for (const at of way) {
        this.#arcs[at]!.left -= most
        this.#arcs[this.#arcs[at]!.back]!.left += most
      }
      sent += most
    }
    return sent
  }

  /** What was sent along a way. */
  carried(arc: number): number {
    return this.#arcs[this.#arcs[arc]!.back]!.left
  }

  #way(from: number, to: number): number[] | undefined {
    const by = new Map<number, number>([[from, -1]])
    const queue = [from]
    for (let node = queue.shift(); node !== undefined; node = queue.shift()) {
      for (const at of this.#from[node]!) {
        const { to: next, left } = this.#arcs[at]!
        if (left <= NEGLIGIBLE || by.has(next)) continue
        by.set(next, at)
        if (next === to) return this.#trace(by, to)
        queue.push(next)
      }
    }
    return undefined
  }

  #trace(by: ReadonlyMap<number, number>, to: number): number[] {
    const way: number[] = []
    for (let node = to, at = by.get(node)!; at >= 0; at = by.get(node)!) {
      way.push(at)
      node = this.#arcs[this.#arcs[at]!.back]!.to
    }
    return way
  }
}

/** A: rounding leaves crumbs that carry nothing. */
const NEGLIGIBLE = 1e-9
