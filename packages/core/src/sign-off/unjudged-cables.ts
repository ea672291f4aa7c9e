import { judgeNetworkConductor } from '../ac/network-checks.js'
import type { NetworkConductor } from '../ac/one-line.js'
import { amps } from '../quantity/figure.js'
import { msg, type Message } from '../quantity/message.js'
import { attempt } from '../shape/attempt.js'
import type { JudgedVerdict } from '../verdict/verdict.js'
import type { Inspection } from '../walk/inspect.js'

/** A cable that no sheet of the job asks about, with what the tables of its standard say of it all the same. */
export interface UnjudgedCable {
  conductor: NetworkConductor
  /** “Board to Loads” */
  label: string
  verdict: JudgedVerdict
  /** “carries 89 A, may carry 62 A” */
  finding: Message
}

/**
 * The cables of the one-line that no check speaks of: those of the house behind the board, where no house rule asks for them. They are nobody's
 * check and still part of what is signed, so they are named.
 */
export function unjudgedCables({ checks, context }: Pick<Inspection, 'checks' | 'context'>): UnjudgedCable[] {
  const judged = new Set<string | undefined>(
    checks.map(({ check }) =>
      check.requirement.kind === 'conductor-size' && check.because === undefined
        ? check.subject.conductor?.id
        : undefined,
    ),
  )
  const open = context.asBuilt.network.conductors.filter(({ id }) => !judged.has(id))
  if (open.length === 0) return []
  const loads = new Map(context.loads().map((load) => [load.conductor.id, load]))
  return open.flatMap((conductor): UnjudgedCable[] => {
    const load = loads.get(conductor.id)
    if (!load) return []
    const label = `${context.labelOf(conductor.from)} to ${context.labelOf(conductor.to)}`
    const done = attempt(() => judgeNetworkConductor(load, { school: context.header?.school ?? 'iec' }))
    if (!done.ok) return [{ conductor, label, verdict: 'not-proven', finding: done.problem.message }]
    const { verdict, ampacity } = done.value
    const may = ampacity === undefined ? '' : msg`, may carry ${amps(ampacity)}`
    return [{ conductor, label, verdict, finding: msg`carries ${amps(load.carries)}${may}` }]
  })
}

/** Those of them that carry more than they may. */
export const overloadedUnjudged = (inspection: Pick<Inspection, 'checks' | 'context'>): UnjudgedCable[] =>
  unjudgedCables(inspection).filter(({ verdict }) => verdict === 'does-not-conform')
