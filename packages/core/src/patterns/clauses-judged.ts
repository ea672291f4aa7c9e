import type { Inspection } from '../walk/inspect.js'
import type { Stage } from '../sheet/stages.js'

/** A clause of a sheet that was judged in a job, and whether it ever failed there. */
export interface ClauseJudged {
  maker: string
  model: string
  revision: string
  clause: string
  title: string
  stage: Stage
  failed: boolean
}

/**
 * Which clauses were judged in a job, once each however many places they have, and which of them failed: now, or before the rework that
 * put it right. A defect that was withdrawn was none.
 */
export function clausesJudged({ checks, defects }: Pick<Inspection, 'checks' | 'defects'>): ClauseJudged[] {
  const raised = new Set(defects.flatMap(({ state, checkId }) => (state === 'withdrawn' ? [] : [checkId])))
  const found = new Map<string, ClauseJudged>()
  for (const { check, outcome } of checks) {
    const failed = outcome.verdict === 'does-not-conform' || raised.has(check.id)
    if (!failed && outcome.verdict !== 'conforms') continue
    const { maker, model, revision } = check.sheet
    const { clause, title } = check.requirement
    const key = JSON.stringify([maker, model, revision, clause, title])
    const before = found.get(key)
    found.set(key, {
      maker,
      model,
      revision,
      clause,
      title,
      stage: check.stage,
      failed: failed || (before?.failed ?? false),
    })
  }
  return [...found.values()]
}
