import { judgeNetworkConductor } from '../../ac/network-checks.js'
import { amps, mm2 } from '../../quantity/figure.js'
import { fig, listed } from '../../quantity/say.js'
import { say } from '../../quantity/words.js'
import { optional, percent } from '../../shape/shape.js'
import { worst, type JudgedVerdict } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/** Is every cable of the one-line model right for all that can feed it, by the job's school? */
export const conductorSize = defineKind(requirementOf({ maxDropPercent: optional(percent()) }), {
  minutes: 3,
  reads: () => ['network'],
  expand: (_requirement, unit, sheet, around) =>
    subjectsOf({ each: 'conductor', where: {} }, unit, sheet, around),
  ask: () => ({ kind: 'derived', from: 'network' }),
  required: ({ maxDropPercent }, _subject, { header }) =>
    `carries every source that can feed it, by ${header?.school === 'nec' ? 'NEC-style' : 'IEC-style'} tables${maxDropPercent === undefined ? '' : `, drop up to ${fig(maxDropPercent)} %`}`,
  judge({ maxDropPercent }, { conductor }, _given, around) {
    const load = conductor && around.loads().find((one) => one.conductor.id === conductor.id)
    if (!load) return undefined
    const judged = judgeNetworkConductor(load, { school: around.header?.school ?? 'iec', maxDropPercent })
    if (!judged)
      return {
        verdict: 'not-proven',
        working: [],
        notes: [],
        finding:
          load.sources.length === 0
            ? 'nothing is entered that feeds it'
            : say`${mm2(load.conductor.size)} is in no table of this school`,
        wanting:
          load.sources.length === 0
            ? 'enter what each source can drive'
            : 'read the size off the cable again',
      }
    const failed = judged.checks
      .filter(({ verdict }) => verdict !== 'conforms')
      .map(({ id }) => id.replace(/-/g, ' '))
    return {
      verdict: worst(judged.checks.map(({ verdict }) => verdict)) as JudgedVerdict,
      working: judged.working,
      notes: judged.notes,
      finding: say`carries ${amps(load.carries)}${load.sources.length > 1 ? ` from ${listed(load.sources.map(({ name }) => name))}` : ''}, may carry ${amps(judged.ampacity)}${failed.length > 0 ? `: fails at ${listed(failed)}` : ''}`,
    }
  },
})
