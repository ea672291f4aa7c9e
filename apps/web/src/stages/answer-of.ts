import { fitAnswer, inForce, type Answer, type JudgedCheck } from '@plumb-mark/core'
import { useDraftAnswer } from '../checks/record/draft-answer.js'

/** The answer of a check as it is kept; undefined when there is none that fits. */
export function answerOf({ check, history }: JudgedCheck): Answer | undefined {
  const current = inForce(history)
  if (current?.kind !== 'record' || check.ask.kind !== 'record') return undefined
  try {
    return fitAnswer(check.ask, current.body.answer)
  } catch {
    return undefined
  }
}

/** The same, or as it is being given. */
export function useAnswerOf(judged: JudgedCheck): Answer | undefined {
  const draft = useDraftAnswer((state) => (state.checkId === judged.check.id ? state.answer : undefined))
  return draft ?? answerOf(judged)
}
