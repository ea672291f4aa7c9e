import { create } from 'zustand'
import type { LiveDevice } from '@plumb-mark/contract'
import {
  meant,
  pointKey,
  type CheckId,
  type DevicePoint,
  type Trace,
  type TraceChannel,
  type UnitId,
} from '@plumb-mark/core'
import { useLive } from '../../devices/live.js'

/** One column of a recording: which unit is asked, and at which point. */
export interface Traced extends TraceChannel {
  unitId: UnitId
  point: DevicePoint
}

/** A trace as it grows, or as it was read or typed; kept here until the server has it, also while another stage is looked at. */
export interface Recording {
  source: 'live' | 'file' | 'typed'
  /** ISO 8601 */
  startedAt: string
  running: boolean
  traced: readonly TraceChannel[]
  t: number[]
  values: number[][]
  eventAt?: number | undefined
  /** When the device that is watched fell silent, s. */
  lostAt?: number | undefined
}

interface Recordings {
  of: Readonly<Record<CheckId, Recording | undefined>>
  set: (id: CheckId, recording: Recording | undefined) => void
}

export const useRecordings = create<Recordings>((set) => ({
  of: {},
  set: (id, recording) => set(({ of }) => ({ of: { ...of, [id]: recording } })),
}))

const change = (id: CheckId, next: (recording: Recording) => Partial<Recording>) => {
  const { of, set } = useRecordings.getState()
  const now = of[id]
  if (now) set(id, { ...now, ...next(now) })
}

const stops = new Map<CheckId, () => void>()

/** Records the live values until it is stopped: one row for each moment at which the watched device said something new. */
export function startRecording(id: CheckId, traced: readonly Traced[]): void {
  stopRecording(id)
  const began = Date.now()
  useRecordings.getState().set(id, {
    source: 'live',
    startedAt: new Date(began).toISOString(),
    running: true,
    traced: traced.map(({ name, unit }) => ({ name, unit })),
    t: [],
    values: traced.map(() => []),
  })
  let last = ''
  const stop = useLive.subscribe(({ devices }) => {
    const [watched] = traced
    const device = devices.find(({ unitId }) => unitId === watched!.unitId)
    if (!device?.at) return
    if (device.state === 'lost')
      return change(id, ({ t, lostAt }) =>
        t.length > 0 && lostAt === undefined ? { lostAt: t.at(-1)! } : {},
      )
    if (device.at === last) return
    last = device.at
    const at = Math.max(0, (Date.parse(device.at) - began) / 1000)
    change(id, ({ t, values }) =>
      at > (t.at(-1) ?? -1)
        ? { t: [...t, at], values: values.map((column, i) => [...column, valueOf(traced[i]!, devices)]) }
        : {},
    )
  })
  stops.set(id, stop)
}

export function stopRecording(id: CheckId): void {
  stops.get(id)?.()
  stops.delete(id)
  change(id, () => ({ running: false }))
}

/** The event is now, by the clock that the rows are timed with. */
export const markEvent = (id: CheckId): void =>
  change(id, ({ startedAt, t }) => ({
    eventAt: Math.min(Math.max((Date.now() - Date.parse(startedAt)) / 1000, t[0] ?? 0), (t.at(-1) ?? 0) + 1),
  }))

export const setEvent = (id: CheckId, eventAt: number): void => change(id, () => ({ eventAt }))

function valueOf({ unitId, point }: Traced, devices: readonly LiveDevice[]): number {
  const device = devices.find((one) => one.unitId === unitId)
  const read = device?.state === 'connected' ? device.points[pointKey(point)] : undefined
  const value = read && device?.at ? Number(meant(point, read.value, device.at)) : NaN
  return Number.isFinite(value) ? value : NaN
}

export const asTrace = ({ traced, t, values }: Recording): Trace => ({
  channels: [...traced],
  t: Float64Array.from(t),
  values: values.map((column) => Float64Array.from(column)),
})

/** A trace that was read or typed, as a recording that has ended. */
export const recordingOf = (
  { channels, t, values }: Trace,
  source: Recording['source'],
  eventAt: number | undefined,
): Recording => ({
  source,
  startedAt: new Date().toISOString(),
  running: false,
  traced: channels,
  t: Array.from(t),
  values: values.map((column) => Array.from(column)),
  eventAt,
})
