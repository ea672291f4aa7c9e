import { decision } from '../../verdict/decision.js'
import { amps } from '../../quantity/figure.js'
import { formatNumber } from '../../quantity/phrases.js'
import { msg } from '../../quantity/message.js'
import { optional, percent } from '../../shape/shape.js'
import { defineKind, requirementOf, withInstrument } from '../kind.js'
import { stringSubjects } from '../subjects.js'

const FULL_LIGHT = 1000

/**
 * The short-circuit current of each string, where it is measured: that of one module, in proportion to the irradiance. The module's figure
 * comes from the sheet of the modules on the string's path. Source: photocurrent is proportional to irradiance, IEC 60904-10.
 */
export const stringShortCircuit = defineKind(requirementOf({ tolerancePercent: optional(percent(), 10) }), {
  minutes: 3,
  reads: () => ['array', 'units'],
  expand: (_requirement, unit, _sheet, context) => stringSubjects(unit, context),
  ask: (requirement) => ({
    kind: 'reading',
    dimension: 'current',
    unit: 'A',
    instrument: requirement.instrument ?? 'clamp-meter',
    conditions: ['irradiance'],
    signed: false,
  }),
  required({ tolerancePercent }, { string }, context) {
    const isc = string?.path?.[0] && context.array().moduleAt(string.path[0])?.data?.isc
    const figure = isc ? msg` (${amps(isc)} at 1000 W/m²)` : ''
    return msg`that of one module at this irradiance${figure}, ± ${formatNumber(tolerancePercent)} %`
  },
  judge({ tolerancePercent }, { string }, evidence, context) {
    if (evidence?.kind !== 'reading' || !string) return undefined
    const isc =
      string.path?.[0] === undefined ? undefined : context.array().moduleAt(string.path[0])?.data?.isc
    const { irradiance } = evidence.conditions
    if (isc === undefined || irradiance === undefined)
      return {
        verdict: 'not-proven',
        working: [],
        notes: [],
        finding: msg`${amps(evidence.value)} read`,
        wanting:
          isc === undefined
            ? 'draw the string on the array map, and complete the sheet of its modules'
            : 'note the irradiance',
      }
    const expected = (isc * irradiance) / FULL_LIGHT
    const width = (expected * tolerancePercent) / 100
    const { verdict, working, notes } = decision(
      {
        value: evidence.value,
        relation: evidence.relation,
        uncertainty: evidence.uncertainty,
        min: expected - width,
        max: expected + width,
        rule: context.rule,
      },
      { dimension: 'current' },
    )
    const sure = withInstrument(verdict, evidence, amps)
    return {
      verdict: sure.verdict,
      working: [
        msg`${amps(isc)} × ${formatNumber(irradiance)} ÷ 1000 W/m² = ${amps(expected)} ± ${formatNumber(tolerancePercent)} %`,
        ...working,
      ],
      notes,
      wanting: sure.wanting,
      finding: msg`${amps(evidence.value)} of ${amps(expected)} expected`,
    }
  },
})
