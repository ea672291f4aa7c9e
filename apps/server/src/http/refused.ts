/** What a person may well do, but not now or not so: leaves the server with its code and a 4xx status. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly path?: string,
  ) {
    super(message)
  }

  /** The same, said of one of several things that were sent. */
  at(thing: string): Refused {
    return new Refused(this.status, this.code, this.message, this.path ? `${thing}.${this.path}` : thing)
  }
}

const RETRY_AFTER_S = 2

/** Refused only for now: the answer says when to try again. */
export class Busy extends Refused {
  constructor(
    message: string,
    readonly retryAfterSeconds = RETRY_AFTER_S,
  ) {
    super(503, 'busy', message)
  }
}

export const notFound = (what: string) =>
  new Refused(404, 'not-found', `there is no such ${what}, or it is not shared with you`)
