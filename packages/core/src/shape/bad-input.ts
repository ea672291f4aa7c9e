/** The closed list of reasons for which an input is refused. */
export type BadInputCode =
  | 'missing'
  | 'wrong-type'
  | 'not-finite'
  | 'not-listed'
  | 'not-a-count'
  | 'negative'
  | 'no-tolerance'
  | 'out-of-place'
  | 'not-positive'
  | 'out-of-range'
  | 'min-above-max'
  | 'no-content'
  | 'empty'
  | 'duplicate-id'
  | 'unknown-id'
  | 'wrong-length'
  | 'not-ascending'
  | 'cycle'
  | 'not-a-time'
  | 'not-a-quantity'
  | 'too-few'
  | 'degenerate'
  | 'mispaired'
  | 'no-length'
  | 'beyond-horizon'
  | 'unknown-calculator'
  | 'not-json'
  | 'malformed'
  /** Of files that arrive: */
  | 'not-a-zip'
  | 'too-large'
  | 'name-twice'
  | 'not-importable'
  | 'fork'

/** Thrown for input that a caller should never have sent; caught once at each edge. `path` names the field, as in `items[2].clear.left`. */
export class BadInput extends Error {
  override readonly name = 'BadInput'
  constructor(
    readonly code: BadInputCode,
    readonly path: string,
    /** Why, without the place. */
    readonly reason: string,
  ) {
    super(path ? `${path}: ${reason}` : reason)
  }
}

/** The one error shape of files, command line and server: `{ error: { code, message, path? } }`. */
export interface ErrorShape {
  error: { code: string; message: string; path?: string }
}

/** A refusal as data. Anything that is not a `BadInput` is thrown on: it is a fault of ours, not of the input. */
export function asErrorShape(problem: unknown): ErrorShape {
  if (!(problem instanceof BadInput)) throw problem
  const { code, message, path } = problem
  return { error: path ? { code, message, path } : { code, message } }
}
