import { atLeast } from './compare.js'
import { Lazily } from './lazily.js'
import { fig } from './say.js'
import { num, object, oneOf, optional, refine, requireRange, type Read } from './shape.js'
import type { Explained, JudgedVerdict } from './verdict.js'

export const RELATIONS = ['=', '>', '<'] as const
export type Relation = (typeof RELATIONS)[number]
export const DECISION_RULES = ['guarded', 'simple'] as const
export type DecisionRule = (typeof DECISION_RULES)[number]

export const uncertaintyField = (unit?: string) =>
  optional(num({ sign: 'magnitude', about: 'expanded uncertainty, k = 2', ...(unit && { unit }) }), 0)
export const relationField = optional(oneOf(RELATIONS, 'a tester that went over range says only ">"'), '=')

export const decisionInput = refine(
  object({
    value: num({ about: 'what the instrument shows' }),
    relation: relationField,
    uncertainty: uncertaintyField(),
    min: optional(num()),
    max: optional(num()),
    rule: optional(oneOf(DECISION_RULES), 'guarded'),
  }),
  requireRange,
)

export type DecisionInput = Partial<Read<typeof decisionInput>> & { value: number }
export interface DecisionResult extends Explained {
  verdict: JudgedVerdict
  /** Distance to the nearer limit, in the unit of the value; negative when outside. */
  margin: number
}

/**
 * Is a measured value inside its limits, given how well it was measured? Both ends count as inside.
 * Guarded, a value conforms or fails only when it does so by its whole expanded uncertainty; simple, the value is taken as it stands.
 * With relation ">" the true value is known only to exceed `value`: it can never be shown to stay below a maximum; "<" mirrors this.
 * Bad input: no limit (`no-content`), min above max, a negative uncertainty, a number that is not finite.
 * Source: the decision rules of ISO 14253-1 and JCGM 106.
 */
export function decision(input: DecisionInput): DecisionResult {
  const { value, relation, uncertainty, min, max, rule } = decisionInput.read(input, '')
  const guard = rule === 'simple' ? 0 : uncertainty
  const limits: Limits = { low: min, high: max, scale: Math.max(Math.abs(value), guard) }
  const margin = Math.min(
    min === undefined ? Infinity : value - min,
    max === undefined ? Infinity : max - value,
  )
  const verdict = JUDGE[relation](value, guard, limits)
  return new Decided(verdict, margin, () => ({
    working: derive(value, relation, guard, margin, min, max),
    notes: notesFor(rule, uncertainty, relation),
  }))
}

class Decided extends Lazily implements DecisionResult {
  constructor(
    readonly verdict: JudgedVerdict,
    readonly margin: number,
    words: () => Explained,
  ) {
    super(words)
  }
}

interface Limits {
  low: number | undefined
  high: number | undefined
  scale: number
}

const JUDGE = { '=': judgeValue, '>': judgeAbove, '<': judgeBelow } satisfies Record<
  Relation,
  (v: number, u: number, l: Limits) => JudgedVerdict
>

function judgeValue(value: number, guard: number, { low, high, scale }: Limits): JudgedVerdict {
  const surely =
    (low === undefined || atLeast(value - guard, low, scale)) &&
    (high === undefined || atLeast(high, value + guard, scale))
  if (surely) return 'conforms'
  const possibly =
    (low === undefined || atLeast(value + guard, low, scale)) &&
    (high === undefined || atLeast(high, value - guard, scale))
  return possibly ? 'not-proven' : 'does-not-conform'
}

function judgeAbove(value: number, guard: number, { low, high, scale }: Limits): JudgedVerdict {
  if (high !== undefined) return atLeast(value - guard, high, scale) ? 'does-not-conform' : 'not-proven'
  return atLeast(value - guard, low!, scale) ? 'conforms' : 'not-proven'
}

function judgeBelow(value: number, guard: number, { low, high, scale }: Limits): JudgedVerdict {
  const mirrored = (limit: number | undefined) => (limit === undefined ? undefined : -limit)
  return judgeAbove(-value, guard, { low: mirrored(high), high: mirrored(low), scale })
}

function derive(
  value: number,
  relation: Relation,
  guard: number,
  margin: number,
  min?: number,
  max?: number,
): string[] {
  const said = relation === '=' ? '' : `${relation} `
  const limits =
    min !== undefined && max !== undefined
      ? `${fig(min, 4)} to ${fig(max, 4)}`
      : min !== undefined
        ? `at least ${fig(min, 4)}`
        : `at most ${fig(max!, 4)}`
  const nearer =
    min !== undefined && margin === value - min
      ? `${fig(value, 4)} − ${fig(min, 4)}`
      : `${fig(max!, 4)} − ${fig(value, 4)}`
  return [
    `required ${limits}; read ${said}${fig(value, 4)}`,
    `margin ${nearer} = ${fig(margin, 4)}${guard > 0 ? `, against an uncertainty of ${fig(guard, 4)}` : ''}`,
  ]
}

function notesFor(rule: DecisionRule, uncertainty: number, relation: Relation): string[] {
  const notes: string[] = []
  if (rule === 'simple' && uncertainty > 0)
    notes.push('simple rule in force: the uncertainty of the instrument was left out of account')
  if (relation !== '=')
    notes.push(
      `the instrument went out of range: the true value is only known to be ${relation === '>' ? 'above' : 'below'} the figure shown`,
    )
  return notes
}

/** The bare judgement of `decision` for callers in this package that have read their input already. */
export function verdictOf(
  value: number,
  uncertainty: number,
  min: number | undefined,
  max?: number,
  relation: Relation = '=',
): JudgedVerdict {
  return JUDGE[relation](value, uncertainty, {
    low: min,
    high: max,
    scale: Math.max(Math.abs(value), uncertainty),
  })
}

/** The uncertainty that counts in a job: none where a doubtful reading is accepted inside the limit. */
export const countedUncertainty = (uncertainty: number, rule: DecisionRule): number =>
  rule === 'simple' ? 0 : uncertainty
