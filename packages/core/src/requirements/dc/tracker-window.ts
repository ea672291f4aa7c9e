import { operatingVoltage } from './operating-voltage.js'
import { quantity } from '../../quantity/quantity-field.js'
import { atLeast, atMost } from '../../verdict/compare.js'
import { volts } from '../../quantity/figure.js'
import { formatNumber, plural } from '../../quantity/phrases.js'
import { msg } from '../../quantity/message.js'
import { optional } from '../../shape/shape.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { stringSubjects } from '../subjects.js'

/**
 * Each string stays in the window in which its input can follow the maximum power point: hot, the voltage of
 * its modules must not sink out of it below; on the coldest morning not rise out of it above. From the sheets
 * of the modules on the string's path. Source: IEC 62548, matching the array to the input of the inverter.
 */
export const trackerWindow = defineKind(
  requirementOf({
    min: quantity('voltage', 'least voltage at which the input follows the maximum power point'),
    max: optional(quantity('voltage', 'greatest such voltage')),
    hottestCell: optional(quantity('temperature', 'of the cells in full sun'), 70),
  }),
  {
    minutes: 1,
    reads: () => ['array', 'units'],
    expand: (_requirement, unit, _sheet, context) => stringSubjects(unit, context),
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: ({ min, max, hottestCell }) =>
      msg`${volts(min)}${max === undefined ? ' or more' : msg` to ${volts(max)}`} at the maximum power point, cells up to ${formatNumber(hottestCell)} °C`,
    judge({ min, max, hottestCell }, { string }, _given, context) {
      if (!string) return undefined
      const coldest = context.header?.coldest
      const operating = operatingVoltage(
        (string.path ?? []).map((place) => context.array().moduleAt(place)),
        { hottestCell, coldest },
      )
      if (!operating)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'the voltage at the maximum power point is not known',
          wanting: 'draw the string on the array map, and complete the sheet of its modules',
        }
      const { standard, hot, cold } = operating
      if (max !== undefined && cold === undefined)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'the coldest morning is not known',
          wanting: 'enter the lowest temperature of the site in the preparation',
        }
      const [highEnough, lowEnough] = [atLeast(hot, min), max === undefined || atMost(cold!, max)]
      return {
        verdict: judged(highEnough && lowEnough),
        working: [
          msg`${volts(standard)} of ${plural(string.path!.length, 'module')} at 25 °C`,
          msg`${volts(hot)} at ${formatNumber(hottestCell)} °C, at least ${volts(min)}`,
          ...(max === undefined
            ? []
            : [msg`${volts(cold!)} at ${formatNumber(coldest!)} °C, at most ${volts(max)}`]),
        ],
        notes: [],
        finding: highEnough
          ? lowEnough
            ? msg`${volts(hot)} when hot`
            : msg`${volts(cold!)} when cold, above ${volts(max!)}`
          : msg`${volts(hot)} when hot, below ${volts(min)}`,
      }
    },
  },
)
