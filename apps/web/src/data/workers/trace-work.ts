import {
  columnOf,
  readTrace,
  reducedForDrawing,
  stepFound,
  traceFacts,
  writeTrace,
  type Trace,
  type TraceFacts,
  type TraceLimit,
} from '@plumb-mark/core'

/** As many columns of points as a chart can show. */
const COLUMNS = 300

export interface Drawn {
  name: string
  points: { t: number; value: number }[]
}
/** What is shown of a trace: its lines as far as a screen can show them, and what the whole of it says of a limit. */
export interface Digest {
  lines: Drawn[]
  facts: TraceFacts | undefined
  samples: number
  end: number
}

/** Reduces a trace for drawing and judges it whole; without an event, or with one that it does not cover, it is only drawn. */
export function digestOf(trace: Trace, by: TraceLimit, eventAt: number | undefined): Digest {
  const own = columnOf(trace, trace.channels[0]!.name)
  const last = own.t[own.t.length - 1]
  const covered = eventAt !== undefined && own.t.length > 0 && own.t[0]! <= eventAt && last! >= eventAt
  return {
    lines: trace.channels.map(({ name }) => {
      const { t, values } = columnOf(trace, name)
      return { name, points: reducedForDrawing(t, values, COLUMNS) }
    }),
    facts: covered ? traceFacts(own, eventAt, by) : undefined,
    samples: trace.t.length,
    end: last ?? 0,
  }
}

/** How the columns of a foreign table become a trace. */
export interface Mapping {
  time: number
  value: number
  factor: number
  name: string
  unit: string
}

/** Rows of text as a trace from its first moment on, with the event where it seems to be. Throws with the row that is no number. */
export function mapped(rows: readonly string[][], { time, value, factor, name, unit }: Mapping) {
  const moments = rows.map((row, i) => {
    const [t, v] = [secondsIn(row[time]), Number(row[value] || 'none') * factor]
    if (!Number.isFinite(t) || !Number.isFinite(v))
      throw new Error(`row ${i + 2}: the time or the value is no number`)
    return [t, v] as const
  })
  const sorted = moments.sort(([a], [b]) => a - b).filter(([t], i, all) => i === 0 || t > all[i - 1]![0])
  const first = sorted[0]?.[0] ?? 0
  const t = Float64Array.from(sorted, ([at]) => at - first)
  const values = Float64Array.from(sorted, ([, one]) => one)
  return { trace: { channels: [{ name, unit }], t, values: [values] }, eventAt: stepFound({ t, values }) }
}

/** Seconds, or a date that is turned into seconds. */
function secondsIn(cell: string | undefined): number {
  const text = cell?.trim() ?? ''
  if (text === '') return NaN
  const plain = Number(text)
  return Number.isFinite(plain) ? plain : Date.parse(text) / 1000
}

/** What can be asked of the worker, and what it answers. */
export interface Asked {
  digest: { trace: Trace; by: TraceLimit; eventAt: number | undefined }
  kept: { address: string; by: TraceLimit; eventAt: number }
  write: { trace: Trace }
  map: { rows: string[][]; mapping: Mapping }
}
export interface Answered {
  digest: Digest
  kept: Digest
  write: Blob
  map: ReturnType<typeof mapped>
}

export const WORK: { [K in keyof Asked]: (asked: Asked[K]) => Answered[K] | Promise<Answered[K]> } = {
  digest: ({ trace, by, eventAt }) => digestOf(trace, by, eventAt),
  /** A trace that the server keeps: it never comes onto the screen's thread. */
  async kept({ address, by, eventAt }) {
    const response = await fetch(address)
    if (!response.ok) throw new Error(`the server answered ${response.status}`)
    return digestOf(readTrace(await response.text()), by, eventAt)
  },
  write: ({ trace }) => new Blob([writeTrace(trace)], { type: 'text/csv' }),
  map: ({ rows, mapping }) => mapped(rows, mapping),
}
