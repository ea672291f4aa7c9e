import { stringColdLimit } from '../../dc/string-cold-limit.js'
import { quantity } from '../../quantity/quantity-field.js'
import { volts } from '../../quantity/figure.js'
import { plural } from '../../quantity/phrases.js'
import { msg } from '../../quantity/message.js'
import { defineKind, requirementOf } from '../kind.js'
import { stringSubjects } from '../subjects.js'

/** Each string on the coldest morning of the site stays under the limit of its input: by the coefficient of its module, or by the table. */
export const coldLimit = defineKind(
  requirementOf({ max: quantity('voltage', 'greatest DC voltage of the input', { sign: 'divisor' }) }),
  {
    minutes: 1,
    reads: () => ['array', 'units'],
    expand: (_requirement, unit, _sheet, context) => stringSubjects(unit, context),
    ask: () => ({ kind: 'derived', from: 'array' }),
    required: ({ max }, { string }, { header }) =>
      msg`at most ${volts(max)} at ${header?.coldest ?? '?'} °C, by the ${string?.coldMethod ?? 'coefficient'}`,
    judge({ max }, { string }, _given, { header }) {
      if (!string) return undefined
      if (header?.coldest === undefined)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'the coldest morning is not known',
          wanting: 'enter the lowest temperature of the site in the preparation',
        }
      if (header.coldest < -40 && string.coldMethod === 'table')
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'colder than the table reaches',
          wanting: 'use the coefficient of the module',
        }
      const { maxVoc, allowedCount, verdict, working, notes } = stringColdLimit({
        module: string.module,
        count: string.count,
        minTemperature: header.coldest,
        inverterMax: max,
        method: string.coldMethod ?? 'coefficient',
      })
      return {
        verdict,
        working,
        notes,
        finding: msg`${volts(maxVoc)} of ${volts(max)}; ${plural(allowedCount, 'module')} would still do`,
      }
    },
  },
)
