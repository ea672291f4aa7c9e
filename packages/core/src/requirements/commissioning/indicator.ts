import { answered } from '../evidence-input.js'
import {
  count,
  flag,
  list,
  num,
  object,
  optional,
  refine,
  requireUniqueIds,
  text,
  join,
} from '../../shape/shape.js'
import { judged } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/**
 * An indicator whose colour and rhythm mean something: what is seen is held against the maker's list. `beat`
 * is lit and dark, s, in turn.
 */
export const indicator = defineKind(
  refine(
    requirementOf({
      question: text(),
      bars: optional(
        object(
          { of: count('bars in all', { max: 20 }), full: num({ unit: '%', min: 1, max: 100 }) },
          'a row of bars that shows the charge',
        ),
      ),
      patterns: list(
        object({
          id: text(),
          colour: text(),
          rhythm: text('in words: steady, slow blink, two short'),
          beat: optional(list(num({ unit: 's', sign: 'divisor' }))),
          means: text(),
          good: flag('conforms when this one is seen'),
          next: optional(text('what to do when it is seen')),
        }),
      ),
    }),
    ({ patterns }, path) => requireUniqueIds(patterns, join(path, 'patterns')),
  ),
  {
    minutes: 1,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ question, patterns }) => ({
      kind: 'record',
      form: 'choice',
      question,
      options: patterns.map(({ id, colour, rhythm, means }) => ({
        id,
        label: `${colour}, ${rhythm}`,
        hint: means,
      })),
    }),
    required: ({ patterns }) =>
      patterns
        .filter(({ good }) => good)
        .map(({ colour, rhythm }) => `${colour}, ${rhythm}`)
        .join(' or '),
    judge({ patterns }, _subject, evidence) {
      const seen = patterns.find(({ id }) => id === answered(evidence, 'choice')?.chosen)
      if (!seen) return undefined
      return {
        verdict: judged(seen.good),
        working: [`${seen.colour}, ${seen.rhythm}: ${seen.means}`],
        notes: seen.next ? [seen.next] : [],
        finding: seen.means,
      }
    },
  },
)
