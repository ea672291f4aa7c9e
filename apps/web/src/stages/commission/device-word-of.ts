import { pointKey, pointWords, type DeviceWord, type JudgedCheck } from '@plumb-mark/core'
import { isLive, useLive } from '../../devices/live.js'
import { useInspection } from '../../job/inspection.js'
import { tracedBy } from './traced-by.js'

/** Which device a live trace was taken from, and at which point, as it stood at the end. */
export function deviceWordOf(judged: JudgedCheck): DeviceWord | undefined {
  const { inspection } = useInspection.getState()
  const { requirement } = judged.check
  if (!inspection || requirement.kind !== 'trace-test') return undefined
  const [watched] = tracedBy(judged, requirement, inspection)
  const device = useLive.getState().devices.find(({ unitId }) => unitId === watched?.unitId)
  const read = watched && device?.points[pointKey(watched.point)]
  if (!watched || !read || !isLive(device)) return undefined
  const figures = inspection.context.sheetOf(watched.unitId)?.figures
  const point = {
    part: 'watch',
    point: pointWords(watched.point),
    register: read.register,
    raw: String(read.raw),
    exponent: read.exponent,
    at: device.at,
  }
  return { device: device.device, points: [point], ...(figures && { figures }) }
}
