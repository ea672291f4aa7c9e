import { LRUCache } from 'lru-cache'
import { SIGN_IN_TRIES, TRIES_WINDOW_MS, tooManyTries } from '../http/rate-limit.js'

/** From many addresses together, into one account, on devices that nobody knows: above what people mistype, far below what guessing needs. */
const TRIES_FROM_ANYWHERE = 10 * SIGN_IN_TRIES

/** Where a try comes from; the device where it is one that the person is known to use. */
export interface TriedFrom {
  address: string
  device?: string | undefined
}

/**
 * Wrong passwords of late. They are counted where they come from: by address and account together, so that a stranger keeps nobody else
 * out; on a device that the person is known to use by that device alone, so that neither a stranger nor a colleague behind the same
 * address does.
 */
export class Tries {
  private readonly wrong = new LRUCache<string, number>({
    max: 20_000,
    ttl: TRIES_WINDOW_MS,
    noUpdateTTL: true,
  })

  /** Counted before it is known to be wrong: many at once would all be let through otherwise. */
  count(account: string, { address, device }: TriedFrom): void {
    if (device !== undefined) return this.add(`device ${device} ${account}`, SIGN_IN_TRIES)
    this.require(`address ${address}`, SIGN_IN_TRIES)
    this.require(`account ${account}`, TRIES_FROM_ANYWHERE)
    this.add(`both ${address} ${account}`, SIGN_IN_TRIES)
    this.add(`address ${address}`, SIGN_IN_TRIES)
    this.add(`account ${account}`, TRIES_FROM_ANYWHERE)
  }

  /** The password was right: what this device or address mistyped before is forgotten. */
  forget(account: string, { address, device }: TriedFrom): void {
    for (const key of [`device ${device} ${account}`, `both ${address} ${account}`, `account ${account}`])
      this.wrong.delete(key)
    const tries = this.wrong.get(`address ${address}`) ?? 0
    this.wrong.set(`address ${address}`, Math.max(0, tries - 1))
  }

  private require(key: string, most: number): void {
    if ((this.wrong.get(key) ?? 0) >= most) throw tooManyTries()
  }

  private add(key: string, most: number): void {
    this.require(key, most)
    this.wrong.set(key, (this.wrong.get(key) ?? 0) + 1)
  }
}
