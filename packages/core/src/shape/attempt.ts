import { BadInput } from './bad-input.js'

export type Attempt<T> = { ok: true; value: T } | { ok: false; problem: BadInput }

/** Does something that may refuse its input, and takes the refusal as an answer. Any other failure is a fault of ours and is thrown on. */
export function attempt<T>(work: () => T): Attempt<T> {
  try {
    return { ok: true, value: work() }
  } catch (problem) {
    if (problem instanceof BadInput) return { ok: false, problem }
    throw problem
  }
}
