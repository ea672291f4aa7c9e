import { RELATIONS, type Relation } from '../quantity/relation.js'
import { apart, figure } from '../quantity/figure.js'
import type { Dimension } from '../quantity/units.js'
import { msg, type Message } from '../quantity/message.js'
import { atLeast } from './compare.js'
import { Lazily } from './lazily.js'
import { formatNumber } from '../quantity/phrases.js'
import { num, object, oneOf, optional, refine, requireRange, type Read } from '../shape/shape.js'
import type { Explained, JudgedVerdict } from './verdict.js'

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
 * `about` says what is judged, where the caller knows: the words then carry figures of it. Bad input: no limit (`no-content`), min above max, a negative uncertainty, a number that is not finite.
 * Source: the decision rules of ISO 14253-1 and JCGM 106.
 */
export function decision(input: DecisionInput, about?: About): DecisionResult {
  const { value, relation, uncertainty, min, max, rule } = decisionInput.read(input, '')
  const guard = rule === 'simple' ? 0 : uncertainty
  const limits: Limits = { low: min, high: max, scale: Math.max(Math.abs(value), guard) }
  const margin = Math.min(
    min === undefined ? Infinity : value - min,
    max === undefined ? Infinity : max - value,
  )
  const verdict = JUDGE[relation](value, guard, limits)
  return new Decided(verdict, margin, () => ({
    working: derive({ value, relation, guard, margin, min, max }, about),
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

/** What a value is a value of, and the unit in which it is shown. */
export interface About {
  dimension: Dimension
  unit?: string | undefined
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

interface Derivation {
  value: number
  relation: Relation
  guard: number
  margin: number
  min: number | undefined
  max: number | undefined
}

function derive(
  { value, relation, guard, margin, min, max }: Derivation,
  about: About | undefined,
): Message[] {
  const of = (n: number) => (about ? figure(n, about.dimension, about.unit) : formatNumber(n, 4))
  const by = (n: number) => (about ? apart(n, about.dimension, widthUnit(about)) : formatNumber(n, 4))
  const limits =
    min !== undefined && max !== undefined
      ? msg`${of(min)} to ${of(max)}`
      : min !== undefined
        ? msg`at least ${of(min)}`
        : msg`at most ${of(max!)}`
  const nearer =
    min !== undefined && margin === value - min
      ? msg`${of(value)} − ${of(min)}`
      : msg`${of(max!)} − ${of(value)}`
  const against = guard > 0 ? msg`, against an uncertainty of ${by(guard)}` : ''
  return [
    msg`required ${limits}; read ${relation === '=' ? '' : `${relation} `}${of(value)}`,
    msg`margin ${nearer} = ${by(margin)}${against}`,
  ]
}

/** A width between two gauges is no gauge. */
export const widthUnit = ({ unit }: Pick<About, 'unit'>): string | undefined =>
  unit === 'AWG' ? undefined : unit

function notesFor(rule: DecisionRule, uncertainty: number, relation: Relation): Message[] {
  const notes: Message[] = []
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
