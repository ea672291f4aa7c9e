import type { NotApplicableAnswer } from '../job/entries/entry-kind.js'
import type { Evidence } from '../job/state.js'
import type { Check, JudgedCheck } from './check.js'

/**
 * May somebody say of this check that it does not apply? Not of what is read off a drawing, which is corrected there; not of what was found
 * to fail, which is raised or struck out; not where an answer of its own says why there is none.
 */
export function mayNotApply(judged: JudgedCheck | undefined): NotApplicableAnswer {
  if (!judged || judged.check.because !== undefined) return 'unknown-check'
  const { check, outcome } = judged
  if (check.ask.kind === 'derived') return 'derived'
  if (check.requirement.kind === 'presence') return 'own-reasons'
  return outcome.verdict === 'does-not-conform' ? 'fails' : 'may'
}

/** Usual reasons why a check does not apply to what stands here; another may be typed. */
export const NOT_APPLICABLE_REASONS = [
  'the input is idle and capped',
  'the part is not fitted here',
  'it was done and recorded at an earlier inspection',
] as const

const isOfAnother = ({ kind, body }: Evidence, { id }: Check): boolean =>
  kind === 'not-applicable' && body.checkId !== id

/** What was ever answered to this check: that another one at the same point does not apply says nothing of this one. */
export const answersTo = (check: Check, rows: readonly Evidence[]): readonly Evidence[] =>
  rows.filter((row) => !isOfAnother(row, check))
