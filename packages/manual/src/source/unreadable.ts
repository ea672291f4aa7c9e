export type UnreadableCode =
  | 'too-large'
  | 'not-a-pdf'
  | 'locked'
  | 'broken'
  | 'too-many-pages'
  | 'too-much-text'
  | 'picture-too-large'
  | 'stopped'

/** A file that cannot be read as a manual: `code` for programs, the message for the person who chose it. */
export class Unreadable extends Error {
  override readonly name = 'Unreadable'
  constructor(
    readonly code: UnreadableCode,
    message: string,
  ) {
    super(message)
  }
}
