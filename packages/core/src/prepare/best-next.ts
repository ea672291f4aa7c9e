import type { Stage } from '../sheet/stages.js'
import { dangers } from '../walk/defect.js'
import type { Inspection } from '../walk/inspect.js'
import { blocksOf, type ClauseHistory } from './walk-blocks.js'
import { walkPlan } from './walk-order.js'

/** What wants the installation energised. */
const ENERGISED: readonly Stage[] = ['power-up', 'commission']

/**
 * The stage at which a walk best goes on: the fewest trips, and first what failed most on such units. Nothing that is energised is ever
 * proposed while a `stop` stands, found or raised; undefined then, after the signature, and while nothing is left.
 */
export function bestNext(inspection: Inspection, history: readonly ClauseHistory[]): Stage | undefined {
  const { checks, context, state, defects } = inspection
  if (state.seal) return undefined
  const kindOf = (unitId: string) => context.sheetOf(unitId)?.kind
  const next = walkPlan(blocksOf(checks, kindOf, history)).blocks[0]?.stage
  const stopped =
    dangers(defects).length > 0 ||
    checks.some(({ outcome }) => outcome.verdict === 'does-not-conform' && outcome.defect.severity === 'stop')
  return next && stopped && ENERGISED.includes(next) ? undefined : next
}
