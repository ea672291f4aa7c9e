import { answered } from '../evidence-input.js'
import { ctPhasing, type CtPhasingInput, type CtPhasingResult } from '../../meter/ct-phasing.js'
import { quantity } from '../../quantity/quantity-field.js'
import { pointShape } from '../../device/point.js'
import { count, list, object, optional, type Read } from '../../shape/shape.js'
import type { AnswerOf, FormField } from '../../answer/forms.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

const shape = requirementOf({
  phases: optional(count('phases of the meter', { max: 3 }), 3),
  uncertainty: quantity('apparent-power', 'of a channel'),
  from: optional(
    list(object({ voltage: pointShape, active: pointShape, reactive: pointShape }), {
      about: 'one for each channel',
    }),
  ),
})
export type CtProof = Read<typeof shape>

/**
 * The electrical proof of the transformers: what each channel reads while a known load runs on every phase. Three phases lie 120° apart,
 * the two legs of a split phase 180°; the known load is taken as active power. What cannot be told apart is not proven.
 */
export const ctProof = defineKind(shape, {
  minutes: 10,
  reads: () => [],
  expand: () => [wholeUnit],
  ask: ({ phases }) => ({
    kind: 'record',
    form: 'fields',
    fields: Array.from({ length: phases }, (_, i) => fieldsOf(i + 1)).flat(),
  }),
  required: () => 'every channel reads its own phase, the right way round',
  judge({ phases, uncertainty }, _subject, evidence) {
    const answer = answered(evidence, 'fields')
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
          ? `several wirings read alike: ${tellApart(answer, phases)}`
          : 'check voltages, ratio and the moment of reading, and read again',
    }
  },
})

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
    voltages: rows.map(([magnitude], i) => ({ magnitude: magnitude!, angle: -STEP[phases]! * i })),
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

/** From one phase to the next, °. */
const STEP: Readonly<Record<number, number>> = { 1: 0, 2: 180, 3: 120 }

/** Which load to switch: that of the two phases which differ least. */
function tellApart({ values }: AnswerOf<'fields'>, phases: number): string {
  const loads = Array.from({ length: phases }, (_, i) => Math.abs(values[`p${i + 1}`]?.value ?? 0))
  const idle = loads.findIndex((load) => load === 0)
  if (idle >= 0) return `switch a load on at L${idle + 1} and read again`
  const pairs = loads.flatMap((load, i) =>
    loads.slice(i + 1).map((other, j) => ({ a: i + 1, b: i + j + 2, apart: Math.abs(load - other) })),
  )
  const alike = [...pairs].sort((x, y) => x.apart - y.apart)[0]
  return alike
    ? `L${alike.a} and L${alike.b} carry nearly the same: switch one more load on at L${alike.a} alone and read again`
    : 'load the phases unequally and read again'
}
