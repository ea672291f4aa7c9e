/** Chance from a seed, the same every time, so that a class can do the same installation (mulberry32). */
export class Chance {
  private state: number

  constructor(seed: number) {
    this.state = seed >>> 0
  }

  /** From 0 up to, never including, 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0
    let t = this.state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }

  between(low: number, high: number): number {
    return low + (high - low) * this.next()
  }

  /** A whole number; both ends may come. */
  whole(low: number, high: number): number {
    return low + Math.floor(this.next() * (high - low + 1))
  }

  of<T>(all: readonly T[]): T {
    return all[Math.floor(this.next() * all.length)]!
  }

  maybe(share: number): boolean {
    return this.next() < share
  }

  shuffled<T>(all: readonly T[]): T[] {
    const left = [...all]
    return all.map(() => left.splice(Math.floor(this.next() * left.length), 1)[0]!)
  }
}
