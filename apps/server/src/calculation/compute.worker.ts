import { attempt, compute } from '@plumb-mark/core'

export interface Asked {
  calculator: string
  input: Record<string, unknown>
}
/** A refusal as plain data: an error loses its class on the way between threads. */
export type Answered = { ok: true } | { ok: false; code: string; path: string; reason: string }

/** One calculation, in a thread of its own: does it come to a result? */
export default function computes({ calculator, input }: Asked): Answered {
  const done = attempt(() => compute(calculator, input))
  if (done.ok) return { ok: true }
  const { code, path, reason } = done.problem
  return { ok: false, code, path, reason }
}
