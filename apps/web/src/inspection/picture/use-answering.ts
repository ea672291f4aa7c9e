import { useCallback } from 'react'
import { inForce, type Answer, type JudgedCheck } from '@plumb-mark/core'
import { useSession } from '../../account/session.js'
import { useInspection } from '../../store/inspection.js'

/**
 * Answers given in the picture itself, each kept at once, with the instrument, note and photos of the answer before; undefined for who may
 * not answer, and in a sealed record.
 */
export function useAnswering(): ((judged: JudgedCheck, answer: Answer) => void) | undefined {
  const person = useSession((session) => session.person)
  const append = useInspection((state) => state.append)
  const sealed = useInspection(({ inspection }) => inspection?.state.seal !== undefined)
  const keep = useCallback(
    ({ check, history }: JudgedCheck, answer: Answer) => {
      const current = inForce(history)
      const { instrument, note, photos } = current?.kind === 'record' ? current.body : {}
      if (!person) return
      append(person, {
        kind: 'record',
        body: {
          point: check.point,
          answer,
          ...(instrument && { instrument }),
          ...(note && { note }),
          ...(photos && { photos }),
        },
      })
    },
    [append, person],
  )
  return person?.role === 'inspector' && !sealed ? keep : undefined
}
