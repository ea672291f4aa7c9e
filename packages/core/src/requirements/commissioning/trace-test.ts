import type { TraceAnswer } from '../../answer/trace-ref.js'
import { answered } from '../evidence-input.js'
import { settling } from '../../commissioning/settling.js'
import type { TraceLimit } from '../../commissioning/trace-facts.js'
import { pointShape } from '../../device/point.js'
import { figure, seconds, type Figure } from '../../quantity/figure.js'
import { quantity } from '../../quantity/quantity-field.js'
import { parseQuantity } from '../../quantity/parse.js'
import { canonicalUnit } from '../../quantity/units.js'
import { normaliseLabel } from '../../quantity/phrases.js'
import { msg, type Message } from '../../quantity/message.js'
import { atMost } from '../../verdict/compare.js'
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
    start: optional(
      object(
        {
          min: optional(text('with its unit: it must have been above this')),
          max: optional(text('with its unit: it must have been below this')),
          within: optional(quantity('time', 'at some moment in this time before the event')),
        },
        'how things must have stood before, for the test to mean anything',
      ),
    ),
  }),
  ({ max, min, tolerance, watch, start }, path) => {
    if ((max === undefined) === (min === undefined))
      throw new BadInput('no-content', path, 'needs a max or a min, and not both')
    for (const [name, typed] of Object.entries({ max, min, tolerance }))
      if (typed !== undefined) valueOf(typed, watch.dimension, join(path, name))
    for (const [name, typed] of Object.entries({ min: start?.min, max: start?.max }))
      if (typed !== undefined) valueOf(typed, watch.dimension, join(path, `start.${name}`))
  },
)
export type TraceTest = Read<typeof shape>

/** By what a trace is judged, in canonical units. */
export function limitOf({ max, min, tolerance, within, watch, start }: TraceTest): TraceLimit {
  return {
    limit: valueOf((max ?? min)!, watch.dimension, 'max'),
    tolerance: tolerance === undefined ? 0 : valueOf(tolerance, watch.dimension, 'tolerance'),
    settleWithin: within,
    must: max === undefined ? 'stay-over' : 'stay-under',
    ...(start?.within !== undefined && { lookBack: start.within }),
  }
}

/**
 * A test with a trace: something is switched, and what is watched must come under its limit (or over it) in time and stay. The trace is
 * a file beside the record; what it says was worked out where it is kept. It proves what was recorded: of the column and in the unit that
 * the sheet watches, from before the event until as long after as it asks, close enough to show what happened in between, and out of a state
 * in which the test means something. A device that fell silent before the time was up proves nothing.
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
    return msg`${label} ${side} ${inUnit(limit, dimension)} within ${seconds(settleWithin)} after ${requirement.event}`
  },
  judge(requirement, _subject, evidence) {
    const answer = answered(evidence, 'trace')
    if (!answer) return undefined
    const by = limitOf(requirement)
    const { eventAt, end, found, lostAt } = answer
    const { settledAt } = found
    const { verdict: standing, finding } = standingOf(requirement, answer)
    const { dimension } = requirement.watch
    const working = [
      msg`${answer.channel}: ${answer.trace.samples} samples, event at ${seconds(eventAt)}, record ends at ${seconds(end)}`,
      msg`beyond ${inUnit(by.limit, dimension)} and its tolerance for ${seconds(found.secondsOver)}, worst ${inUnit(found.peak, dimension)}`,
      settledAt === undefined
        ? msg`not settled when the record ended`
        : msg`settled ${seconds(settledAt - eventAt)} after the event, at most ${seconds(by.settleWithin)}`,
    ]
    if (!sameLimit(answer.by, by))
      return {
        verdict: 'not-proven',
        working,
        notes: [],
        finding: 'judged by other figures than the sheet in force has',
        wanting: 'judge the kept trace anew, or try it again',
      }
    const other = otherColumn(requirement, answer)
    if (other)
      return {
        verdict: 'not-proven',
        working,
        notes: [],
        finding: other,
        wanting: msg`${other}: trace what the sheet watches`,
      }
    const broken = lostAt !== undefined && standing !== 'does-not-conform'
    const short = standing === 'conforms' ? notShown(requirement, answer) : undefined
    return {
      verdict: broken || short ? 'not-proven' : standing,
      working,
      notes: broken ? [msg`the device fell silent at ${seconds(lostAt)}: what came after was not seen`] : [],
      finding: short ?? finding,
      wanting: broken
        ? 'the device fell silent in the middle of the test: see what became of it, and try again'
        : short
          ? msg`${short}: try it again`
          : 'go on recording until it has settled or the time is up',
    }
  },
})

/** Another column than the sheet watches, or one in another unit, says nothing about it. */
function otherColumn({ watch }: TraceTest, { channel, found: { seen } }: TraceAnswer): Message | undefined {
  if (normaliseLabel(channel) !== normaliseLabel(watch.label))
    return `“${channel}” was traced, and the sheet watches “${watch.label}”`
  const unit = canonicalUnit(watch.dimension)
  return seen && seen.unit !== unit ? `the column is in ${seen.unit}, and ${unit} are judged` : undefined
}

/** Samples may lie this part of the allowed time apart, and never farther than that many seconds: what came and went between two was not seen. */
const SAMPLED = 0.75
const FARTHEST_APART = 10
/** s; a trace begins some time before the event, so that the event can be seen in it. */
const LEAST_BEFORE = 3

/** Why a trace that kept its limit does not show that it would have. */
function notShown(
  requirement: TraceTest,
  { eventAt, end, by, found: { seen } }: TraceAnswer,
): Message | undefined {
  const { record, within, event, watch } = requirement
  if (!atMost(eventAt + record, end))
    return msg`recorded ${seconds(end - eventAt)} after ${event}, and ${seconds(record)} are asked for`
  if (!seen) return 'nobody looked at how closely it was sampled, and how things stood before'
  if (!atMost(seen.from, eventAt - LEAST_BEFORE))
    return msg`the trace begins ${seconds(Math.max(0, eventAt - seen.from))} before ${event}: begin at least ${seconds(LEAST_BEFORE)} before it`
  const apart = Math.min(SAMPLED * within, FARTHEST_APART)
  if (!atMost(seen.widestGap, apart))
    return msg`two samples lie ${seconds(seen.widestGap)} apart: what came between was not seen, at most ${seconds(apart)} may pass`
  return meaningless(requirement, by, seen, (value) => inUnit(value, watch.dimension))
}

/** Why nothing was tried: it did not stand as the sheet wants it before the event, or, where the sheet says nothing, kept its limit all along. */
function meaningless(
  { start, watch }: TraceTest,
  { limit, tolerance, must }: TraceLimit,
  { before, ever }: NonNullable<TraceAnswer['found']['seen']>,
  shown: (value: number) => Message | Figure,
): Message | undefined {
  if (!start) {
    const tried = must === 'stay-under' ? ever.most > limit + tolerance : ever.least < limit - tolerance
    const side = must === 'stay-under' ? 'below' : 'above'
    return tried ? undefined : msg`${watch.label} was ${side} ${shown(limit)} all along: nothing was tried`
  }
  const [low, high] = [start.min, start.max].map((typed) => typed && valueOf(typed, watch.dimension, 'start'))
  if (typeof low === 'number' && before.most < low)
    return msg`before it there were only ${shown(before.most)}, and ${shown(low)} must be there for the test to mean anything`
  if (typeof high === 'number' && before.least > high)
    return msg`before it there were ${shown(before.least)}, and it must be down to ${shown(high)} for the test to mean anything`
  return undefined
}

/** How a test stands by what its trace says up to `end`, s, also while it is still recorded. */
export function standingOf(
  { within, event }: Pick<TraceTest, 'within' | 'event'>,
  { eventAt, end, found: { settledAt } }: Pick<TraceAnswer, 'eventAt' | 'end' | 'found'>,
): { verdict: JudgedVerdict; finding: Message } {
  return {
    verdict: settling({ settledAt: settledAt ?? null, eventAt, end, settleWithin: within }),
    finding:
      settledAt === undefined
        ? msg`still beyond the limit ${seconds(end - eventAt)} after ${event}, ${seconds(within)} are allowed`
        : msg`settled ${seconds(settledAt - eventAt)} after ${event}, ${seconds(within)} are allowed`,
  }
}

const sameLimit = (one: TraceLimit, other: TraceLimit): boolean =>
  one.lookBack === other.lookBack &&
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
