import type { Message } from '../quantity/message.js'
import type { Explained } from './verdict.js'

/**
 * A result whose words are made only when somebody reads them: on every keystroke hundreds of checks are judged, and a handful is shown.
 * Its facts are plain fields; written out as JSON it carries its words like any other result.
 */
export abstract class Lazily implements Explained {
  readonly #words: () => Explained

  constructor(words: () => Explained) {
    this.#words = words
  }

  get working(): Message[] {
    return this.#words().working
  }

  get notes(): Message[] {
    return this.#words().notes
  }

  toJSON(): object {
    return { ...this, ...this.#words() }
  }
}
