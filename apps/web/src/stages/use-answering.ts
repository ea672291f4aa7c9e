import { useCallback } from 'react'
import { carriedWord, inForce, type Answer, type DeviceWord, type JudgedCheck } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useInspection } from '../job/inspection.js'
import { useCommit } from '../job/use-commit.js'

export type KeepAnswer = (judged: JudgedCheck, answer: Answer, word?: DeviceWord) => void

/**
 * Answers given in the picture itself, each kept at once, with the instrument, note and photos of the answer before, and with what of it
 * is a device's word; undefined for who may not answer, and in a sealed record.
 */
export function useAnswering(): KeepAnswer | undefined {
  const person = useSession((session) => session.person)
  const commit = useCommit()
  const sealed = useInspection(({ inspection }) => inspection?.state.seal !== undefined)
  const keep = useCallback<KeepAnswer>(
    ({ check, history }, answer, fresh) => {
      const current = inForce(history)
      const before = current?.kind === 'record' ? current.body : undefined
      const { instrument, note, photos } = before ?? {}
      const word = carriedWord(before, answer, fresh)
      commit({
        kind: 'record',
        body: {
          point: check.point,
          answer,
          ...(instrument && { instrument }),
          ...(word && { word }),
          ...(note && { note }),
          ...(photos && { photos }),
        },
      })
    },
    [commit],
  )
  return person?.role === 'inspector' && !sealed ? keep : undefined
}
