import { answered } from '../evidence-input.js'
import { pointShape } from '../../device/point.js'
import { flag, join, list, object, optional, refine, requireUniqueIds, text } from '../../shape/shape.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

export const NO_ALARM = 'none'

/** What the display may show: a table of codes with meaning, cause and next step. A code that the table lacks is nobody's guess. */
export const alarmCodes = defineKind(
  refine(
    requirementOf({
      codes: list(
        object({
          id: text('as the display shows it'),
          means: text(),
          cause: optional(text()),
          next: text('what to do when it is seen'),
          mayStay: optional(flag('the unit may go on with it')),
        }),
      ),
      from: optional(pointShape),
    }),
    ({ codes }, path) => requireUniqueIds(codes, join(path, 'codes')),
  ),
  {
    minutes: 2,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ codes }) => ({
      kind: 'record',
      form: 'choice',
      question: 'Which code does it show?',
      options: [
        { id: NO_ALARM, label: 'no alarm' },
        ...codes.map(({ id, means }) => ({ id, label: `${id} ${means}` })),
      ],
      typed: true,
    }),
    required: () => 'no alarm that must not stay',
    judge({ codes }, _subject, evidence) {
      const chosen = answered(evidence, 'choice')?.chosen
      if (chosen === undefined) return undefined
      if (chosen === NO_ALARM)
        return { verdict: 'conforms', working: ['no alarm shown'], notes: [], finding: 'no alarm' }
      const code = codes.find(({ id }) => id === chosen)
      if (!code)
        return {
          verdict: 'not-proven',
          working: [`code ${chosen} is not in the maker’s table`],
          notes: [],
          finding: `code ${chosen} shown`,
          wanting: `ask the maker what ${chosen} means`,
        }
      return {
        verdict: judged(code.mayStay === true),
        working: [`${code.id}: ${code.means}${code.cause ? `, caused by ${code.cause}` : ''}`],
        notes: [code.next],
        finding: `${code.id}: ${code.means}`,
        causes: code.cause ? [code.cause] : [],
      }
    },
  },
)
