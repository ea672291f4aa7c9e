import type { Evidence } from '../job/state.js'
import { sayAnswer } from '../answer/forms.js'
import type { Check } from './check.js'

/** What a piece of evidence says, as it was given: for the history of a check and for the report. */
export function sayEvidence({ ask }: Check, evidence: Evidence): string {
  if (evidence.kind === 'reading') return evidence.body.typed
  if (evidence.kind === 'not-applicable') return `does not apply: ${evidence.body.reason}`
  if (evidence.walkedOver) return `yes, seen on a walk over all ${evidence.walkedOver.length}`
  if (evidence.kind === 'observation') return evidence.body.seen ? 'yes' : 'no'
  return ask.kind === 'record' ? sayAnswer(ask, evidence.body.answer) : 'an answer to what was asked before'
}
