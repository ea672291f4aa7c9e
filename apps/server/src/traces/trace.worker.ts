import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { attempt, columnOf, readTrace, traceFacts, type TraceFacts, type TraceLimit } from '@plumb-mark/core'

export interface TraceAsked {
  /** Packed, as it is kept. */
  file: string
  /** Left out where it is only to be read whole. */
  judge?: { channel: string; eventAt: number; by: TraceLimit }
}
export type TraceAnswered =
  | { ok: true; samples: number; end: number; found?: TraceFacts }
  | { ok: false; code: string; path: string; reason: string }

/** Reads a kept trace whole, in a thread of its own, and says what it says of a limit. */
export default function readWhole({ file, judge }: TraceAsked): TraceAnswered {
  const done = attempt(() => {
    const trace = readTrace(gunzipSync(readFileSync(file)).toString('utf8'))
    const samples = trace.t.length
    const end = trace.t.at(-1)!
    if (!judge) return { samples, end }
    const own = columnOf(trace, judge.channel)
    return { samples, end: own.t[own.t.length - 1] ?? end, found: traceFacts(own, judge.eventAt, judge.by) }
  })
  if (done.ok) return { ok: true, ...done.value }
  const { code, path, reason } = done.problem
  return { ok: false, code, path, reason }
}
