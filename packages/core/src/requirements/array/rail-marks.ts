import type { JudgementContext } from '../judgement-context.js'
import { answered, type RecordInput } from '../evidence-input.js'
import { railMarks } from '../../array/rail-marks.js'
import { quantity } from '../../quantity/quantity-field.js'
import { uncertaintyOf, vouching } from '../../instrument/instrument.js'
import { decision } from '../../verdict/decision.js'
import { mm } from '../../quantity/figure.js'
import { msg } from '../../quantity/message.js'
import { optional } from '../../shape/shape.js'
import { worst, type JudgedVerdict } from '../../verdict/verdict.js'
import type { PlaneBuilt } from '../../array/places.js'
import { defineKind, requirementOf, type Subject } from '../kind.js'
import { subjectsOf } from '../subjects.js'

/** Marks along the rail of a plane: half a module in, then every module plus gap, each within the sheet's tolerance. */
export const railMarksKind = defineKind(
  requirementOf({
    tolerance: quantity('length', 'of each mark'),
    firstOffset: optional(quantity('length', 'from the end of the rail to the first module'), 0),
  }),
  {
    minutes: 5,
    reads: () => ['array', 'units'],
    expand: (_requirement, unit, sheet, context) =>
      subjectsOf({ each: 'plane', where: {} }, unit, sheet, context),
    ask: (requirement, { plane }) => ({
      kind: 'record',
      form: 'series',
      instrument: requirement.instrument ?? 'tape',
      dimension: 'length',
      unit: 'mm',
      labels: Array.from({ length: plane?.columns ?? 1 }, (_, i) => `mark ${i + 1}`),
    }),
    required(requirement, subject, context) {
      const marks = marksOf(requirement.firstOffset, subject, context)
      return marks
        ? msg`${marks.said.join(', ')}, each ± ${mm(requirement.tolerance)}`
        : 'the module’s sheet gives no size'
    },
    judge({ tolerance, firstOffset }, subject, evidence, context) {
      const answer = answered(evidence, 'series')
      const marks = marksOf(firstOffset, subject, context)
      if (!answer || !marks) return undefined
      const instrument = vouching((evidence as RecordInput).instrument, 'length', farthestOf(answer.values))
      const rows = answer.values.map(({ value }, i) => ({
        i,
        value,
        wanted: marks.marks[i]!,
        ...decision({
          value,
          uncertainty: uncertaintyOf(instrument, 'length', value),
          min: marks.marks[i]! - tolerance,
          max: marks.marks[i]! + tolerance,
          rule: context.rule,
        }),
      }))
      const complete = rows.length === marks.marks.length && instrument !== undefined
      const verdict = worst(rows.map((row) => row.verdict)) as JudgedVerdict
      const off = rows.find((row) => row.verdict === 'does-not-conform')
      return {
        verdict: verdict === 'conforms' && !complete ? 'not-proven' : verdict,
        working: [
          ...marks.working,
          ...rows.map(({ i, value, wanted }) => msg`mark ${i + 1}: ${mm(value)} against ${mm(wanted)}`),
        ],
        notes: marks.notes,
        finding: off
          ? msg`mark ${off.i + 1} is off by ${mm(Math.abs(off.value - off.wanted))}`
          : msg`${rows.length} of ${marks.marks.length} marks within ${mm(tolerance)}`,
        wanting: instrument ? 'read the remaining marks, or use a finer tape' : 'name the tape',
      }
    },
  },
)

/** One instrument reads all of them: it must reach the farthest. */
const farthestOf = (values: readonly { value: number }[]): number =>
  Math.max(0, ...values.map(({ value }) => Math.abs(value)))

function marksOf(firstOffset: number, { plane }: Subject, context: JudgementContext) {
  const size = plane && context.sheetOf(plane.unitId)?.size
  return size
    ? railMarks({
        moduleWidth: across(plane, size),
        gap: plane.gap,
        count: plane.columns,
        firstOffset,
        units: context.header?.units ?? 'metric',
      })
    : undefined
}

const across = ({ orientation }: PlaneBuilt, { width, height }: { width: number; height: number }) =>
  orientation === 'portrait' ? Math.min(width, height) : Math.max(width, height)
