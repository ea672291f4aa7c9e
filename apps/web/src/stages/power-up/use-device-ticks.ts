import { useEffect, useRef } from 'react'
import { answerFromDevice, inForce, readsOf, type JudgedCheck } from '@plumb-mark/core'
import { isLive, useLiveOf } from '../../devices/live.js'
import { useInspection } from '../../job/inspection.js'
import type { KeepAnswer } from '../use-answering.js'

/**
 * Ticks the steps that a device is seen to make. Only a change counts: what stood so already when somebody began to look was done at a
 * moment that nobody knows.
 */
export function useDeviceTicks(judged: JudgedCheck, keep: KeepAnswer | undefined): void {
  const live = useLiveOf(judged.check.unit.id)
  const before = useRef<ReadonlySet<string>>(undefined)
  useEffect(() => {
    if (!keep || !isLive(live) || readsOf(judged.check).length === 0) {
      before.current = undefined
      return
    }
    const read = { device: live.device, at: live.at, points: live.points }
    const figures = useInspection.getState().inspection?.context.sheetOf(judged.check.unit.id)?.figures
    const holding = new Set(
      answerFromDevice(judged.check, read, undefined, figures)?.word.points.map(({ part }) => part),
    )
    const was = before.current
    before.current = holding
    if (!was) return
    const begun = [...holding].filter((part) => !was.has(part))
    if (begun.length === 0) return
    const current = inForce(judged.history)
    const answer = current?.kind === 'record' ? current.body.answer : undefined
    const told = answerFromDevice(judged.check, read, answer, figures, (part) => begun.includes(part))
    if (told) keep(judged, told.answer, told.word)
  }, [judged, keep, live])
}
