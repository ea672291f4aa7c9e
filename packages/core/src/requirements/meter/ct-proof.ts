import { answered } from '../given.js'
import { ctPhasing, type CtPhasingInput, type CtPhasingResult } from '../../meter/ct-phasing.js'
import { quantity } from '../../quantity/quantity-field.js'
import { count, optional } from '../../shape/shape.js'
import type { AnswerOf, FormField } from '../../answer/forms.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/**
 * The electrical proof of the transformers: what each channel reads while a known load runs on every phase. The phases are taken 120°
 * apart and the known load as active power; what cannot be told apart is not proven.
 */
export const ctProof = defineKind(
  requirementOf({
    phases: optional(count('phases of the meter', { max: 3 }), 3),
    uncertainty: quantity('apparent-power', 'of a channel'),
  }),
  {
    minutes: 10,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: ({ phases }) => ({
      kind: 'record',
      form: 'fields',
      fields: Array.from({ length: phases }, (_, i) => fieldsOf(i + 1)).flat(),
    }),
    required: () => 'every channel reads its own phase, the right way round',
    judge({ phases, uncertainty }, _subject, given) {
      const answer = answered(given, 'fields')
      if (!answer) return undefined
      const proof = proofOf(answer, phases, uncertainty)
      if (!proof)
        return {
          verdict: 'not-proven',
          working: [],
          notes: [],
          finding: 'not complete',
          wanting: 'enter voltage, known load and reading of every phase',
        }
      return {
        verdict: proof.verdict,
        working: proof.working,
        notes: proof.notes,
        finding:
          proof.verdict === 'conforms'
            ? 'each on its own phase, the right way round'
            : proof.fix.length > 0
              ? proof.fix.join('; ')
              : 'no wiring explains these readings',
        wanting:
          proof.status === 'ambiguous'
            ? 'several wirings read alike: load the phases unequally and read again'
            : 'check voltages, ratio and the moment of reading, and read again',
      }
    },
  },
)

function fieldsOf(phase: number): FormField[] {
  return [
    { id: `v${phase}`, label: `L${phase} voltage`, required: '', dimension: 'voltage', unit: 'V' },
    {
      id: `p${phase}`,
      label: `L${phase} known load`,
      required: 'import positive',
      dimension: 'power',
      signed: true,
      unit: 'W',
    },
    {
      id: `r${phase}`,
      label: `channel ${phase} active`,
      required: '',
      dimension: 'power',
      signed: true,
      unit: 'W',
    },
    {
      id: `q${phase}`,
      label: `channel ${phase} reactive`,
      required: '',
      dimension: 'reactive-power',
      signed: true,
      unit: 'var',
    },
  ]
}

/** What an answer puts before the calculator; undefined while a figure is missing or a phase is without voltage. */
export function proofInput(
  { values }: AnswerOf<'fields'>,
  phases: number,
  uncertainty: number,
): CtPhasingInput | undefined {
  const rows = Array.from({ length: phases }, (_, i) =>
    ['v', 'p', 'r', 'q'].map((field) => values[`${field}${i + 1}`]?.value),
  )
  if (phases > 3 || rows.some((row) => row.some((value) => value === undefined) || !(row[0]! > 0)))
    return undefined
  return {
    voltages: rows.map(([magnitude], i) => ({ magnitude: magnitude!, angle: -120 * i })),
    truth: rows.map(([, p]) => ({ p: p!, q: 0 })),
    readings: rows.map(([, , p, q]) => ({ p: p!, q: q! })),
    uncertainty,
  }
}

function proofOf(
  answer: AnswerOf<'fields'>,
  phases: number,
  uncertainty: number,
): CtPhasingResult | undefined {
  const input = proofInput(answer, phases, uncertainty)
  return input && ctPhasing(input)
}
