import { protectiveEarth } from '../../earthing/protective-earth.js'
import { quantity } from '../../quantity/quantity-field.js'
import { decision } from '../../verdict/decision.js'
import { ohms } from '../../quantity/figure.js'
import { msg } from '../../quantity/message.js'
import { optional } from '../../shape/shape.js'
import type { Bond } from '../../earthing/bond.js'
import { defineKind, requirementOf, withInstrument } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/**
 * Is each bond unbroken? The resistance may not exceed that of its conductor plus an allowance for joints; of a bond without a length of
 * conductor (a washer, a plate) the allowance alone counts.
 */
export const earthContinuity = defineKind(
  requirementOf({ allowance: optional(quantity('resistance', 'for joints and leads'), 0.05) }),
  {
    minutes: 3,
    reads: () => ['earthing', 'units'],
    expand: (_requirement, unit, sheet, context) =>
      subjectsOf({ each: 'bond', where: {} }, unit, sheet, context),
    ask: (requirement) => ({
      kind: 'reading',
      dimension: 'resistance',
      unit: 'Ω',
      instrument: requirement.instrument ?? 'continuity-tester',
      conditions: [],
      signed: false,
    }),
    required: ({ allowance }, { bond }) => (bond ? msg`at most ${ohms(limitOf(bond, allowance))}` : ''),
    judge({ allowance }, { bond }, evidence, { rule }) {
      if (evidence?.kind !== 'reading' || !bond) return undefined
      const max = limitOf(bond, allowance)
      const { verdict, margin, working, notes } = decision(
        {
          value: evidence.value,
          relation: evidence.relation,
          uncertainty: evidence.uncertainty,
          max,
          rule,
        },
        { dimension: 'resistance' },
      )
      const sure = withInstrument(verdict, evidence, ohms)
      return {
        verdict: sure.verdict,
        working: [
          ...(bond.size && bond.length
            ? [msg`0.0175 × ${bond.length} m ÷ ${bond.size} mm² + ${ohms(allowance)} = ${ohms(max)}`]
            : [msg`joints alone: ${ohms(allowance)}`]),
          ...working,
        ],
        notes,
        wanting: sure.wanting,
        finding: margin < 0 ? msg`${ohms(-margin)} too much` : msg`${ohms(margin)} to spare`,
      }
    },
  },
)

function limitOf({ size, length }: Bond, allowance: number): number {
  if (!size || !length) return allowance
  return protectiveEarth({
    method: 'table',
    lineSize: Math.min(size, 35),
    fitted: size,
    continuity: { measured: 0, length, allowance },
  }).continuityLimit!
}
