import { useCallback } from 'react'
import {
  answerFromDevice,
  inForce,
  readsOf,
  type Answer,
  type DeviceWord,
  type JudgedCheck,
} from '@plumb-mark/core'
import { useInspection } from '../job/inspection.js'
import { isLive, useLive } from './live.js'

interface Told {
  answer: Answer
  word: DeviceWord
}

/** What the connected device of a check says to it right now; undefined where none is connected or it says nothing that is asked. */
export function useDeviceAnswer(judged: JudgedCheck): (() => Told | undefined) | undefined {
  const { check } = judged
  const live = useLive(({ devices }) => devices.find(({ unitId }) => unitId === check.unit.id)?.state)
  const tell = useCallback(() => {
    const device = useLive.getState().devices.find(({ unitId }) => unitId === check.unit.id)
    if (!isLive(device)) return undefined
    const { inspection } = useInspection.getState()
    const current = inForce(judged.history)
    return answerFromDevice(
      check,
      { device: device.device, at: device.at, points: device.points },
      current?.kind === 'record' ? current.body.answer : undefined,
      inspection?.context.sheetOf(check.unit.id)?.figures,
    )
  }, [check, judged.history])
  // Just connected it has said nothing yet: what is offered then would do nothing.
  const says = useLive(() => live === 'connected' && readsOf(check).length > 0 && tell() !== undefined)
  return says ? tell : undefined
}
