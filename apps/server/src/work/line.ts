import { Busy, Refused } from '../http/refused.js'

interface Waiting {
  begin: () => void
  tell: ((before: number) => void) | undefined
}

/** Those who wait for one of few places: served in the order in which they came, each told how many are before them. */
export class Line {
  private readonly waiting: Waiting[] = []
  private busy = 0

  constructor(
    private readonly places: number,
    /** Beyond so many nobody is let wait. */
    private readonly most: number,
  ) {}

  /** Resolves when a place is free, with how to give it back. Refused with 503 when too many wait; whoever goes away leaves the line. */
  async enter({
    signal,
    tell,
  }: {
    signal?: AbortSignal | undefined
    tell?: ((before: number) => void) | undefined
  } = {}): Promise<() => void> {
    if (this.busy < this.places) this.busy++
    else await this.wait(signal, tell)
    return () => this.leave()
  }

  private wait(signal: AbortSignal | undefined, tell: Waiting['tell']): Promise<void> {
    if (this.waiting.length >= this.most)
      throw new Busy(`${this.most} others wait already: try again in a while`, RETRY_AFTER_S)
    return new Promise((resolve, reject) => {
      const one: Waiting = { begin: resolve, tell }
      this.waiting.push(one)
      tell?.(this.waiting.length)
      signal?.addEventListener('abort', () => {
        const at = this.waiting.indexOf(one)
        if (at < 0) return
        this.waiting.splice(at, 1)
        this.tellAll()
        reject(new Refused(499, 'called-off', 'it was called off while it waited'))
      })
    })
  }

  private leave(): void {
    const next = this.waiting.shift()
    if (next) next.begin()
    else this.busy--
    this.tellAll()
  }

  private tellAll(): void {
    this.waiting.forEach(({ tell }, i) => tell?.(i + 1))
  }
}

const RETRY_AFTER_S = 10
