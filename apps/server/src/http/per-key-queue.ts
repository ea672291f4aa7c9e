/** Runs work for one key strictly one after the other; different keys do not wait for each other. */
export class PerKeyQueue {
  private readonly tails = new Map<string, Promise<unknown>>()

  async run<T>(key: string, work: () => Promise<T>): Promise<T> {
    const before = this.tails.get(key) ?? Promise.resolve()
    const mine = before.catch(() => undefined).then(work)
    this.tails.set(key, mine)
    try {
      return await mine
    } finally {
      if (this.tails.get(key) === mine) this.tails.delete(key)
    }
  }
}
