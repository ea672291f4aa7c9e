import type { JudgementContext } from '../judgement-context.js'
import { protectiveEarth } from '../../earthing/protective-earth.js'
import { quantity } from '../../quantity/quantity-field.js'
import { mm2 } from '../../quantity/figure.js'
import { msg } from '../../quantity/message.js'
import { optional } from '../../shape/shape.js'
import type { Bond } from '../../earthing/bond.js'
import { defineKind, requirementOf } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/** Is each conductor that earths a unit large enough, by the job's method and the sheet's own minimum? */
export const earthSize = defineKind(
  requirementOf({ minimum: optional(quantity('conductor-size', 'the sheet’s own', { max: 150 }), 0) }),
  {
    minutes: 2,
    reads: () => ['earthing', 'units'],
    expand: (_requirement, unit, sheet, context) =>
      subjectsOf({ each: 'bond', where: {} }, unit, sheet, context).filter(
        ({ bond }) => bond && isConductor(bond),
      ),
    ask: () => ({ kind: 'derived', from: 'earthing' }),
    required: ({ minimum }, _subject, { header }) =>
      msg`${header?.earthMethod === 'adiabatic' ? 'by the adiabatic equation' : 'by the table'}${minimum > 0 ? msg`, at least ${mm2(minimum)}` : ''}`,
    judge({ minimum }, { bond }, _given, context) {
      const asked = bond && questionOf(bond, context)
      if (!bond?.size || !asked)
        return bond
          ? {
              verdict: 'not-proven',
              working: [],
              notes: [],
              finding: 'not enough is known',
              wanting: wantingOf(bond, context),
            }
          : undefined
      const { verdict, required, governing, working, notes } = protectiveEarth({
        ...asked,
        sheetMinimum: minimum,
        fitted: bond.size,
      })
      return {
        verdict,
        working,
        notes,
        finding: msg`${mm2(bond.size)} fitted, ${mm2(required)} asked for by ${governing === 'sheet' ? 'the sheet' : 'the method'}`,
      }
    },
  },
)

const isConductor = ({ means }: Bond): boolean =>
  means === 'copper' || means === 'lug' || means === 'supply-cable'

function questionOf({ lineSize, faultCurrent, clearingTime }: Bond, { header }: JudgementContext) {
  if (header?.earthMethod === 'adiabatic')
    return faultCurrent === undefined || clearingTime === undefined
      ? undefined
      : { method: 'adiabatic' as const, faultCurrent, clearingTime }
  return lineSize === undefined ? undefined : { method: 'table' as const, lineSize }
}

function wantingOf({ size }: Bond, { header }: JudgementContext): string {
  return [
    size ? '' : 'its size',
    header?.earthMethod === 'adiabatic'
      ? 'the fault current and clearing time'
      : 'the size of the line conductor beside it',
  ]
    .filter(Boolean)
    .join(' and ')
}
