import { answered, type RecordInput } from '../evidence-input.js'
import { fixings as fixingsCalculation } from '../../wall/fixings.js'
import { quantity } from '../../quantity/quantity-field.js'
import { uncertaintyOf, vouching } from '../../instrument/instrument.js'
import { BadInput } from '../../shape/bad-input.js'
import { decision } from '../../verdict/decision.js'
import { mm } from '../../quantity/figure.js'
import { formatNumber, normaliseLabel } from '../../quantity/phrases.js'
import { msg } from '../../quantity/message.js'
import {
  count as fixingCount,
  join,
  list,
  num,
  object,
  optional,
  refine,
  requireRange,
  text,
} from '../../shape/shape.js'
import { worst, type JudgedVerdict } from '../../verdict/verdict.js'
import { limitWords } from '../general/limits.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

const window = (about: string) =>
  optional(
    refine(
      object({ min: optional(quantity('length')), max: optional(quantity('length')) }, about),
      requireRange,
    ),
  )

const WINDOWS = {
  diameter: 'hole diameter',
  depth: 'hole depth',
  spacing: 'least spacing between holes',
} as const
type WindowName = keyof typeof WINDOWS

/**
 * What a unit hangs on: the count and kind of fixings, their holes, and whether they carry the weight at its overhang in this wall.
 * Capacities are those of one fixing in each kind of wall that the sheet allows; a wall that is not listed does not conform.
 */
export const fixings = defineKind(
  refine(
    requirementOf({
      count: fixingCount('least count of fixings'),
      topRow: fixingCount('fixings in the top row'),
      overhang: quantity('length', 'centre of gravity from the wall'),
      leverArm: quantity('length', 'from the top row down to where the unit presses on the wall', {
        sign: 'divisor',
      }),
      diameter: window('hole diameter'),
      depth: window('hole depth'),
      spacing: window('between holes'),
      safetyFactor: optional(num({ sign: 'divisor' }), 4),
      walls: list(
        object({
          wall: text('kind of wall'),
          tension: quantity('force', 'of one fixing', { sign: 'divisor' }),
          shear: quantity('force', 'of one fixing', { sign: 'divisor' }),
          derate: optional(num({ sign: 'divisor' }), 1),
        }),
      ),
    }),
    ({ count, topRow }, path) => {
      if (topRow > count)
        throw new BadInput('out-of-range', join(path, 'topRow'), 'must not exceed the count of fixings')
    },
  ),
  {
    minutes: 6,
    reads: () => [],
    expand: () => [wholeUnit],
    ask: (requirement) => ({
      kind: 'record',
      form: 'fields',
      instrument: requirement.instrument ?? 'tape',
      fields: [
        {
          id: 'wall',
          label: 'kind of wall',
          required: requirement.walls.map(({ wall }) => wall).join(' or '),
          options: [...requirement.walls.map(({ wall }) => wall), 'another kind'],
        },
        {
          id: 'count',
          label: 'fixings',
          required: `at least ${formatNumber(requirement.count)}`,
          dimension: 'count',
        },
        ...windowsOf(requirement).map(([name, limits]) => ({
          id: name,
          label: WINDOWS[name],
          required: limitWords(limits, 'length'),
          dimension: 'length' as const,
          unit: 'mm',
        })),
      ],
    }),
    required: (requirement) => `at least ${formatNumber(requirement.count)} fixings that carry the unit`,
    judge(requirement, _subject, evidence, context, unit) {
      const answer = answered(evidence, 'fields')
      if (!answer) return undefined
      const { wall: wallField, count } = answer.values
      const capacity = requirement.walls.find(
        ({ wall }) => normaliseLabel(wall) === normaliseLabel(wallField?.typed ?? ''),
      )
      const mass = context.sheetOf(unit.id)?.mass
      const holes = windowsOf(requirement).map(([name, limits]) =>
        hole(name, limits, answer.values[name]?.value, evidence as RecordInput, context.rule),
      )
      const load =
        capacity &&
        mass !== undefined &&
        count?.value !== undefined &&
        count.value >= requirement.topRow &&
        Number.isInteger(count.value)
          ? fixingsCalculation({
              mass,
              centreOfGravity: requirement.overhang,
              fixings: { count: count.value, topRow: requirement.topRow, leverArm: requirement.leverArm },
              capacity,
              safetyFactor: requirement.safetyFactor,
              derate: capacity.derate,
            })
          : undefined
      const faults = [
        ...(wallField && !capacity ? ['the sheet gives no capacity for this kind of wall'] : []),
        ...(count?.value !== undefined && count.value < requirement.count
          ? [`${formatNumber(count.value)} fixings where ${formatNumber(requirement.count)} are asked for`]
          : []),
        ...(load?.verdict === 'does-not-conform'
          ? [`loaded to ${formatNumber(100 * load.utilisation, 0)} % of what they may carry`]
          : []),
        ...holes.filter(({ verdict }) => verdict === 'does-not-conform').map(({ finding }) => finding),
      ]
      const missing = [
        ...(!wallField ? ['the kind of wall'] : []),
        ...(count?.value === undefined ? ['the count'] : []),
        ...holes.filter(({ verdict }) => verdict === 'not-proven').map(({ wanting }) => wanting),
      ]
      return {
        verdict:
          faults.length > 0
            ? 'does-not-conform'
            : missing.length > 0 || !load
              ? 'not-proven'
              : (worst(['conforms', ...holes.map(({ verdict }) => verdict)]) as JudgedVerdict),
        working: [...(load?.working ?? []), ...holes.map(({ working }) => working)],
        notes: [
          ...(load?.notes ?? []),
          ...(mass === undefined ? ['the sheet gives no mass: the load cannot be worked out'] : []),
        ],
        finding:
          faults[0] ??
          (load
            ? `loaded to ${formatNumber(100 * load.utilisation, 0)} % of what they may carry`
            : 'not complete'),
        wanting:
          missing.length > 0
            ? `measure ${missing.join(', ')}`
            : 'the load cannot be worked out without the mass of the unit',
      }
    },
  },
)

interface Limits {
  min?: number | undefined
  max?: number | undefined
}

function windowsOf(requirement: Partial<Record<WindowName, Limits | undefined>>): [WindowName, Limits][] {
  return (Object.keys(WINDOWS) as WindowName[]).flatMap((name) =>
    requirement[name] ? [[name, requirement[name]] as [WindowName, Limits]] : [],
  )
}

function hole(
  name: WindowName,
  limits: Limits,
  value: number | undefined,
  { instrument: named }: RecordInput,
  rule: 'guarded' | 'simple',
) {
  if (value === undefined)
    return {
      verdict: 'not-proven' as const,
      working: `${WINDOWS[name]}: not measured`,
      finding: '',
      wanting: `the ${WINDOWS[name]}`,
    }
  const instrument = vouching(named, 'length', value)
  const { verdict, margin } = decision({
    value,
    uncertainty: uncertaintyOf(instrument, 'length', value),
    ...limits,
    rule,
  })
  return {
    verdict: !instrument && verdict === 'conforms' ? ('not-proven' as const) : verdict,
    working: msg`${WINDOWS[name]} ${mm(value)} against ${limitWords(limits, 'length')}`,
    finding: msg`${WINDOWS[name]} ${mm(value)} is outside by ${mm(-margin)}`,
    wanting: instrument ? `the ${WINDOWS[name]} with a finer tape` : `the ${WINDOWS[name]} with a named tape`,
  }
}
