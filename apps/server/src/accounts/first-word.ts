import { randomInt, timingSafeEqual } from 'node:crypto'
import { Inject, Injectable } from '@nestjs/common'
import { Refused } from '../http/refused.js'
import { SETTINGS, type Settings } from '../settings.js'

/** Easily read off a screen and typed: no letters that look alike. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'
const LENGTH = 12

/**
 * The word that stands on the machine's own console while nobody has an account: whoever can read it there makes the first one, and no
 * stranger on the network who happens to come first.
 */
@Injectable()
export class FirstWord {
  readonly word: string

  constructor(@Inject(SETTINGS) { firstWord }: Settings) {
    this.word = firstWord ?? made()
  }

  require(typed: string): void {
    const [wanted, sent] = [Buffer.from(plain(this.word)), Buffer.from(plain(typed))]
    if (sent.length !== wanted.length || !timingSafeEqual(sent, wanted))
      throw new Refused(
        403,
        'wrong-word',
        'this is not the word that the program printed where it was started',
        'word',
      )
  }
}

const plain = (word: string) => word.toLowerCase().replace(/[\s-]/g, '')

/** In groups of four, as in `h7km-2xqp-9rtd`. */
const made = () =>
  Array.from(
    { length: LENGTH },
    (_, i) => (i > 0 && i % 4 === 0 ? '-' : '') + LETTERS[randomInt(LETTERS.length)],
  ).join('')
