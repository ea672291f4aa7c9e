import { Figure } from './figure.js'

/**
 * Text whose figures are still figures; read as plain text it says them in their own units. It is put together when somebody reads it: on
 * every keystroke hundreds of checks are judged, and a handful is shown.
 */
export class RichMessage {
  constructor(
    private readonly texts: readonly string[],
    private readonly between: readonly Part[],
  ) {}

  get parts(): readonly (string | Figure)[] {
    return this.texts.flatMap((text, i) => [
      text,
      ...(i < this.between.length ? partsOf(this.between[i]!) : []),
    ])
  }

  toString(): string {
    return this.parts.join('')
  }

  /** In files and answers it is text like any other. */
  toJSON(): string {
    return this.toString()
  }
}

/** What a judgement says: plain text, or text with figures in it. */
export type Message = string | RichMessage

type Part = Message | Figure | number

const partsOf = (one: Part): readonly (string | Figure)[] =>
  one instanceof RichMessage ? one.parts : [one instanceof Figure ? one : String(one)]

/** Text with its figures kept: msg`short by ${mm(35)}`. */
export const msg = (texts: TemplateStringsArray, ...between: readonly Part[]): RichMessage =>
  new RichMessage(texts, between)

/** Several texts one after the other. What says nothing is left out. */
export function joinMessages(texts: readonly (Part | '')[], by: string): RichMessage {
  const said = texts.filter((one) => one !== '')
  return new RichMessage(['', ...said.slice(1).map(() => by)], said)
}

/** The same words and the same figures, to their last digit: what reads alike need not be alike. */
export const sameMessage = (a: Message | undefined, b: Message | undefined): boolean =>
  exactly(a) === exactly(b)

/** Text with its figures to their last digit, to be compared. */
export const exactly = (said: Message | undefined): string | undefined =>
  said instanceof RichMessage
    ? said.parts.map((one) => (one instanceof Figure ? [one.value, one.dimension] : one)).join(' ')
    : said
