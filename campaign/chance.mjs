/** Chance from a seed, the same every time (mulberry32). */
export class Chance {
  constructor(seed) {
    this.state = seed >>> 0
  }
  next() {
    this.state = (this.state + 0x6d2b79f5) >>> 0
    let t = this.state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
  between(low, high) {
    return low + (high - low) * this.next()
  }
  whole(low, high) {
    return low + Math.floor(this.next() * (high - low + 1))
  }
  of(all) {
    return all[Math.floor(this.next() * all.length)]
  }
  maybe(share) {
    return this.next() < share
  }
}
