import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { sha256 } from '@plumb-mark/archive'
import { BadInput, columnOf, readTrace, traceFacts, type TraceFacts, type TraceLimit } from '@plumb-mark/core'
import { answered, type Answered } from '../work/answered.js'

export interface TraceAsked {
  /** Packed, as it is kept. */
  file: string
  /** What lies there must be this, whatever its name says. */
  digest: string
  /** Left out where it is only to be read whole. */
  judge?: { channel: string; eventAt: number; by: TraceLimit }
}
export interface TraceRead {
  samples: number
  end: number
  found?: TraceFacts
}

/** Reads a kept trace whole, in a thread of its own, and says what it says of a limit. */
export default function readWhole({ file, digest, judge }: TraceAsked): Answered<TraceRead> {
  return answered(() => {
    const content = gunzipSync(readFileSync(file), { maxOutputLength: LARGEST_BYTES })
    if (sha256(content) !== digest)
      throw new BadInput('malformed', 'trace', 'the file is not what was kept: restore it from a backup')
    const trace = readTrace(content.toString('utf8'))
    const samples = trace.t.length
    const end = trace.t.at(-1)!
    if (!judge) return { samples, end }
    const own = columnOf(trace, judge.channel)
    return { samples, end: own.t[own.t.length - 1] ?? end, found: traceFacts(own, judge.eventAt, judge.by) }
  })
}

const LARGEST_BYTES = 64 * 1024 * 1024
