import { useInspection } from '../../../store/inspection.js'
import { Terminals } from '../terminals.js'
import { Chain } from './chain.js'

/** The battery's terminals and its data chain. */
export function Battery() {
  const checks = useInspection(({ inspection }) => inspection?.checks) ?? []
  // Units alike carry one chain between them: it is drawn once, from the first that has an answer.
  const chains = checks.filter(({ check, outcome }) => check.requirement.kind === 'data-chain' && outcome.verdict !== 'not-applicable')
  return (
    <>
      {chains.map((judged) => (
        <Chain key={judged.check.id} judged={judged} />
      ))}
      <Terminals side="battery" />
    </>
  )
}
