import { useInspection } from '../../job/inspection.js'
import { Terminals } from '../terminals.js'
import { Chain } from './chain.js'

/** The battery's terminals and its data chain. */
export function Battery() {
  const checks = useInspection(({ inspection }) => inspection?.checks) ?? []
  const asked = checks.filter(
    ({ check, outcome }) => check.requirement.kind === 'data-chain' && outcome.verdict !== 'not-applicable',
  )
  // Units of one sheet carry one chain between them: it is drawn once.
  const chains = asked.filter(
    ({ check }, i) => asked.findIndex((other) => other.check.requirement === check.requirement) === i,
  )
  return (
    <>
      {chains.map((judged) => (
        <Chain key={judged.check.id} judged={judged} />
      ))}
      <Terminals side="battery" />
    </>
  )
}
