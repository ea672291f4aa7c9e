export const POINT = 46
export const COMMA = 44

export type TypingCode =
  | 'empty'
  | 'not-a-number'
  | 'thousands-separator'
  | 'wrong-unit'
  | 'no-unit'
  | 'out-of-place'
  | 'zero-division'
  | 'too-large'
  | 'negative'
  | 'over-range'

/** What is wrong and at which character (from 0), to be shown beside the field. */
export interface TypingProblem {
  code: TypingCode
  at: number
  message: string
}

/**
 * Thrown inside the parser, and answered by it as a problem. No error of the language: words that are no figure are tried with every
 * judgement, and finding out each time where in the program that was takes longer than the rest.
 */
export class Misread {
  constructor(
    readonly code: TypingCode,
    readonly at: number,
    readonly message: string,
  ) {}
}

export const isDigit = (code: number) => code >= 48 && code <= 57
export const isBlank = (code: number) =>
  code === 32 || code === 160 || code === 9 || code === 0x202f || code === 0x2009

/** A place in the text. Works on character codes, since a whole import is parsed with it. */
export class Cursor {
  at = 0
  /** Was a figure read that had a fraction? */
  hasFraction = false
  constructor(
    readonly text: string,
    readonly decimal: number,
  ) {}
  code(ahead = 0): number {
    return this.text.charCodeAt(this.at + ahead)
  }
  done(): boolean {
    return this.at >= this.text.length
  }
  blanks(): void {
    while (!this.done() && isBlank(this.code())) this.at++
  }
  digits(): string {
    const from = this.at
    while (!this.done() && isDigit(this.code())) this.at++
    return this.text.slice(from, this.at)
  }
  /** Takes `char` when it stands here. */
  takes(char: string): boolean {
    if (!this.text.startsWith(char, this.at)) return false
    this.at += char.length
    return true
  }
}
