import { judgeNetworkConductor } from '../../ac/network-checks.js'
import { amps } from '../../quantity/figure.js'
import { formatNumber, joinAnd } from '../../quantity/phrases.js'
import { joinMessages, msg } from '../../quantity/message.js'
import { optional, percent } from '../../shape/shape.js'
import { defineKind, requirementOf } from '../kind.js'
import { subjectsOf } from '../subjects.js'
import { contradictedSize } from './sizes-read.js'

/**
 * Is every cable of the one-line model right for all that can feed it, and protected from it, by the job's school? What was read at its
 * terminals must be the size that is drawn: while the two contradict each other, nothing is proven.
 */
export const conductorSize = defineKind(requirementOf({ maxDropPercent: optional(percent()) }), {
  minutes: 3,
  reads: () => ['network', 'units', 'readings'],
  expand: (_requirement, unit, sheet, context) =>
    subjectsOf({ each: 'conductor', where: {} }, unit, sheet, context),
  ask: () => ({ kind: 'derived', from: 'network' }),
  required: ({ maxDropPercent }, _subject, { header }) =>
    `carries every source that can feed it, by ${header?.school === 'nec' ? 'NEC-style' : 'IEC-style'} tables${maxDropPercent === undefined ? '' : `, drop up to ${formatNumber(maxDropPercent)} %`}`,
  judge({ maxDropPercent }, { conductor }, _given, context) {
    const load = conductor && context.loads().find((one) => one.conductor.id === conductor.id)
    if (!load) return undefined
    const school = context.header?.school ?? 'iec'
    const { verdict, ampacity, working, notes, short, wanting } = judgeNetworkConductor(load, {
      school,
      maxDropPercent,
    })
    const contradicted = verdict === 'conforms' ? contradictedSize(load.conductor, context) : undefined
    if (contradicted)
      return {
        verdict: 'not-proven',
        working,
        notes,
        finding: contradicted,
        wanting: msg`${contradicted}: correct the one that is wrong`,
      }
    const from = load.sources.length > 1 ? ` from ${joinAnd(load.sources.map(({ name }) => name))}` : ''
    const carried =
      ampacity === undefined ? '' : msg`carries ${amps(load.carries)}${from}, may carry ${amps(ampacity)}`
    return {
      verdict,
      working,
      notes,
      finding: joinMessages(
        [carried, joinMessages(short, '; ')],
        carried === '' || short.length === 0 ? '' : ': ',
      ),
      ...(wanting !== undefined && { wanting }),
    }
  },
})
