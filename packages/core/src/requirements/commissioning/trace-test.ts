import type { TraceAnswer } from '../../answer/trace-ref.js'
import { answered } from '../given.js'
import { settling } from '../../commissioning/settling.js'
import type { TraceLimit } from '../../commissioning/trace-facts.js'
import { pointShape } from '../../device/point.js'
import { figure, seconds } from '../../quantity/figure.js'
import { quantity } from '../../quantity/quantity-field.js'
import { parseQuantity } from '../../quantity/parse.js'
import { canonicalUnit } from '../../quantity/units.js'
import { say, type Said } from '../../quantity/words.js'
import { BadInput } from '../../shape/bad-input.js'
import { join, list, object, oneOf, optional, refine, text, type Read } from '../../shape/shape.js'
import { UNIT_KINDS } from '../../sheet/terms.js'
import type { JudgedVerdict } from '../../verdict/verdict.js'
import { defineKind, requirementOf } from '../kind.js'
import { wholeUnit } from '../subjects.js'

const TRACED = ['power', 'voltage'] as const

const shape = refine(
  requirementOf({
    do: list(text(), { about: 'what the person does, step by step; the last of it is the event' }),
    event: text('what the event is, in a few words'),
    watch: object({
      label: text('what is traced'),
      dimension: oneOf(TRACED),
      of: optional(oneOf(UNIT_KINDS, 'the kind of unit that is read; this one when left out')),
      from: optional(pointShape),
    }),
    beside: optional(
      list(object({ label: text(), of: optional(oneOf(UNIT_KINDS)), from: pointShape }), {
        about: 'drawn with it',
      }),
    ),
    max: optional(text('with its unit: it must come under this')),
    min: optional(text('with its unit: it must come over this')),
    tolerance: optional(text('with its unit')),
    within: quantity('time', 'after the event'),
    record: quantity('time', 'how long it is traced after the event'),
  }),
  ({ max, min, tolerance, watch }, path) => {
    if ((max === undefined) === (min === undefined))
      throw new BadInput('no-content', path, 'needs a max or a min, and not both')
    for (const [name, typed] of Object.entries({ max, min, tolerance }))
      if (typed !== undefined) valueOf(typed, watch.dimension, join(path, name))
  },
)
export type TraceTest = Read<typeof shape>

/** By what a trace is judged, in canonical units. */
export function limitOf({ max, min, tolerance, within, watch }: TraceTest): TraceLimit {
  return {
    limit: valueOf((max ?? min)!, watch.dimension, 'max'),
    tolerance: tolerance === undefined ? 0 : valueOf(tolerance, watch.dimension, 'tolerance'),
    settleWithin: within,
    must: max === undefined ? 'stay-over' : 'stay-under',
  }
}

/**
 * A test with a trace: something is switched, and what is watched must come under its limit (or over it) in time and stay. The trace is
 * a file beside the record; what it says was worked out where it is kept. A device that fell silent before the time was up proves nothing.
 */
export const traceTest = defineKind(shape, {
  minutes: 6,
  reads: () => [],
  expand: () => [wholeUnit],
  ask: ({ watch, event }) => ({ kind: 'record', form: 'trace', channel: watch.label, event }),
  required(requirement) {
    const { limit, settleWithin, must } = limitOf(requirement)
    const { label, dimension } = requirement.watch
    const side = must === 'stay-under' ? 'at most' : 'at least'
    return say`${label} ${side} ${inUnit(limit, dimension)} within ${seconds(settleWithin)} after ${requirement.event}`
  },
  judge(requirement, _subject, given) {
    const answer = answered(given, 'trace')
    if (!answer) return undefined
    const by = limitOf(requirement)
    const { eventAt, end, found, lostAt } = answer
    const { settledAt } = found
    const { verdict: plain, finding } = standingOf(requirement, answer)
    const { dimension } = requirement.watch
    const working = [
      say`${answer.channel}: ${answer.trace.samples} samples, event at ${seconds(eventAt)}, record ends at ${seconds(end)}`,
      say`beyond ${inUnit(by.limit, dimension)} and its tolerance for ${seconds(found.secondsOver)}, worst ${inUnit(found.peak, dimension)}`,
      settledAt === undefined
        ? say`not settled when the record ended`
        : say`settled ${seconds(settledAt - eventAt)} after the event, at most ${seconds(by.settleWithin)}`,
    ]
    if (!sameLimit(answer.by, by))
      return {
        verdict: 'not-proven',
        working,
        notes: [],
        finding: 'judged by other figures than the sheet in force has',
        wanting: 'judge the kept trace anew, or try it again',
      }
    const broken = lostAt !== undefined && plain !== 'does-not-conform'
    return {
      verdict: broken ? 'not-proven' : plain,
      working,
      notes: broken ? [say`the device fell silent at ${seconds(lostAt)}: what came after was not seen`] : [],
      finding,
      wanting: broken
        ? 'the device fell silent in the middle of the test: see what became of it, and try again'
        : 'go on recording until it has settled or the time is up',
    }
  },
})

/** How a test stands by what its trace says up to `end`, s, also while it is still recorded. */
export function standingOf(
  { within, event }: Pick<TraceTest, 'within' | 'event'>,
  { eventAt, end, found: { settledAt } }: Pick<TraceAnswer, 'eventAt' | 'end' | 'found'>,
): { verdict: JudgedVerdict; finding: Said } {
  return {
    verdict: settling({ settledAt: settledAt ?? null, eventAt, end, settleWithin: within }),
    finding:
      settledAt === undefined
        ? say`still beyond the limit ${seconds(end - eventAt)} after ${event}, ${seconds(within)} are allowed`
        : say`settled ${seconds(settledAt - eventAt)} after ${event}, ${seconds(within)} are allowed`,
  }
}

const sameLimit = (one: TraceLimit, other: TraceLimit): boolean =>
  one.limit === other.limit &&
  one.tolerance === other.tolerance &&
  one.settleWithin === other.settleWithin &&
  one.must === other.must

const inUnit = (value: number, dimension: (typeof TRACED)[number]) =>
  figure(value, dimension, canonicalUnit(dimension))

function valueOf(typed: string, dimension: (typeof TRACED)[number], path: string): number {
  const parsed = parseQuantity(typed, dimension)
  if (!parsed.ok) throw new BadInput('not-a-quantity', path, parsed.problem.message)
  return parsed.quantity.value
}
