import { BadInput, attempt, type BadInputCode } from '@plumb-mark/core'

/** What a thread answers: an error loses its class on the way, so a refusal goes as plain data. */
export type Answered<T> = { ok: true; value: T } | { ok: false; code: string; path: string; reason: string }

/** In the thread: what came of it, refusals of core included. */
export function answered<T>(work: () => T): Answered<T> {
  const done = attempt(work)
  return done.ok ? { ok: true, value: done.value } : refusal(done.problem)
}

/** The same of work that waits. */
export async function answeredLater<T>(work: () => Promise<T>): Promise<Answered<T>> {
  try {
    return { ok: true, value: await work() }
  } catch (problem) {
    if (problem instanceof BadInput) return refusal(problem)
    throw problem
  }
}

/** Beside it: the value, or the refusal as it was thrown. */
export function valueOf<T>(answer: Answered<T>): T {
  if (answer.ok) return answer.value
  throw new BadInput(answer.code as BadInputCode, answer.path, answer.reason)
}

const refusal = ({ code, path, reason }: BadInput) => ({ ok: false, code, path, reason }) as const
