import { useEffect } from 'react'
import { create } from 'zustand'
import type { LiveDevice, LiveDevices } from '@plumb-mark/contract'
import type { DeviceNamed, JobId, UnitId } from '@plumb-mark/core'
import { useInspection } from '../job/inspection.js'

interface Live {
  devices: readonly LiveDevice[]
  /** When the server told last, ISO 8601. */
  at: string | undefined
  /** Since when nothing comes from the server, ms since 1970. */
  silentSince: number | undefined
}

const NOTHING: Live = { devices: [], at: undefined, silentSince: undefined }

/** What the devices of the open job say, once a second, as long as a part of the screen listens. */
export const useLive = create<Live>(() => NOTHING)

let stream: EventSource | undefined
let listeners = 0

function open(jobId: JobId): void {
  if (typeof EventSource === 'undefined') return
  stream = new EventSource(`/api/jobs/${jobId}/devices/live`)
  stream.onmessage = ({ data }: MessageEvent<string>) => {
    const { at, devices } = JSON.parse(data) as LiveDevices
    useLive.setState({ at, devices, silentSince: undefined })
  }
  // The browser calls again by itself; until then what was seen last stays, and says since when.
  stream.onerror = () => useLive.setState(({ silentSince }) => ({ silentSince: silentSince ?? Date.now() }))
}

function close(): void {
  stream?.close()
  stream = undefined
  useLive.setState(NOTHING)
}

/** Listens to the devices of the open job while the component is there; a job without any opens no line. */
export function useListening(): void {
  const jobId = useInspection((state) => state.jobId)
  const any = useInspection(({ inspection }) => (inspection?.state.asBuilt.connections.length ?? 0) > 0)
  useEffect(() => {
    if (!jobId || !any) return
    if (listeners++ === 0) open(jobId)
    return () => {
      if (--listeners === 0) close()
    }
  }, [jobId, any])
}

export const useLiveOf = (unitId: UnitId): LiveDevice | undefined =>
  useLive(({ devices }) => devices.find((device) => device.unitId === unitId))

export const isLive = (
  device: LiveDevice | undefined,
): device is LiveDevice & { device: DeviceNamed; at: string } =>
  device?.state === 'connected' && device.device !== undefined && device.at !== undefined
