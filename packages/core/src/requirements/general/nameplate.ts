import type { UnitBuilt } from '../../as-built/unit.js'
import type { JudgementContext } from '../judgement-context.js'
import { answered } from '../evidence-input.js'
import { parseQuantity } from '../../quantity/parse.js'
import { DIMENSIONS, canonicalUnit } from '../../quantity/units.js'
import { joinAnd } from '../../quantity/phrases.js'
import { list, object, optional, text } from '../../shape/shape.js'
import { judged } from '../../verdict/verdict.js'
import type { FormField } from '../../answer/forms.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

/** The nameplate against the order: model, serial and the ratings that matter here, expected against found. */
export const nameplate = defineKind(
  requirementOf({
    lines: optional(list(object({ id: text(), label: text(), expected: text() }), { mayBeEmpty: true }), []),
  }),
  {
    minutes: 3,
    // One serial stands on one plate: what was read off the others is compared.
    reads: () => ['units', 'readings'],
    expand: () => [wholeUnit],
    ask: (requirement, _subject, context, unit) => ({
      kind: 'record',
      form: 'fields',
      fields: linesOf(requirement.lines, context, unit),
    }),
    required: (requirement, _subject, context, unit) =>
      linesOf(requirement.lines, context, unit)
        .map(({ label, required }) => `${label} ${required || 'as found'}`)
        .join(', '),
    judge(requirement, _subject, evidence, context, unit) {
      const answer = answered(evidence, 'fields')
      if (!answer) return undefined
      const rows = linesOf(requirement.lines, context, unit).map((line) => ({
        line,
        found: answer.values[line.id]?.typed,
      }))
      const open = rows.filter(({ found }) => found === undefined)
      const serial = answer.values['serial']?.typed
      const others = serial
        ? context.unitsWithSerial(serial).flatMap(({ id, label }) => (id === unit.id ? [] : [label]))
        : []
      const wrong = rows.filter(
        ({ line, found }) =>
          found !== undefined && line.required !== '' && !isSameOnPlate(found, String(line.required)),
      )
      if (wrong.length === 0 && others.length > 0)
        return {
          verdict: 'not-proven',
          working: [`serial ${serial} is that of ${joinAnd(others)} too`],
          notes: [],
          finding: `serial ${serial} is that of ${joinAnd(others)} too`,
          wanting: `read the plates of ${unit.label} and ${joinAnd(others)} again: each has a serial of its own`,
        }
      return {
        verdict: wrong.length > 0 ? judged(false) : open.length > 0 ? 'not-proven' : 'conforms',
        working: rows.map(
          ({ line, found }) =>
            `${line.label}: expected ${line.required || 'nothing on record'}, found ${found ?? 'not read'}`,
        ),
        notes: rows.some(({ line }) => line.required === '')
          ? ['no serial was ordered for this unit: the one found is kept']
          : [],
        finding:
          wrong.length > 0
            ? wrong.map(({ line, found }) => `${line.label} is ${found}, not ${line.required}`).join('; ')
            : open.length > 0
              ? `${open.length} not read yet`
              : 'as ordered',
        wanting: `read ${open.map(({ line }) => line.label).join(', ')} off the plate`,
      }
    },
  },
)

function linesOf(
  more: readonly { id: string; label: string; expected: string }[],
  context: JudgementContext,
  unit: UnitBuilt,
): FormField[] {
  const lines: FormField[] = [
    { id: 'model', label: 'model', required: context.sheetOf(unit.id)?.model ?? '' },
    { id: 'serial', label: 'serial', required: unit.serial ?? '', scan: true },
    ...more.map(({ id, label, expected }) => ({ id, label, required: expected })),
  ]
  return lines.map((line) => ({ ...line, onPlate: true }))
}

/** As two readers would compare a plate: blanks and case say nothing, nor does a hyphen between letters or digits; before a figure it is a sign. */
export const isSameOnPlate = (a: string, b: string): boolean =>
  onThePlate(a) === onThePlate(b) || sameFigure(a, b)

/** "6 kW" and "6000 W" are one rating. Only figures with their units are compared so: a model "10" is not a serial "10.0". */
function sameFigure(a: string, b: string): boolean {
  return DIMENSIONS.some((dimension) => {
    if (canonicalUnit(dimension) === '') return false
    const [one, other] = [a, b].map((typed) => parseQuantity(typed, dimension, { unitRequired: true }))
    return (
      one!.ok &&
      other!.ok &&
      one!.quantity.relation === other!.quantity.relation &&
      Math.abs(one!.quantity.value - other!.quantity.value) <= 1e-9 * Math.abs(other!.quantity.value)
    )
  })
}

const onThePlate = (said: string): string =>
  said
    .trim()
    .toUpperCase()
    .replace(/[−–‑]/g, '-')
    .replace(/(?<=[A-Z0-9])\s*-\s*(?=[A-Z0-9])/g, '')
    .replace(/\s/g, '')
