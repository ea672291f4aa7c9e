import type { Answer, AnswerOf } from '../answer/forms.js'
import { meant, pointKey, pointWords, type DevicePoint, type PointRead } from '../device/point.js'
import type { DeviceNamed, DeviceWord } from '../device/word.js'
import { canonicalUnit, type Dimension } from '../quantity/units.js'
import { readableOf, type Readable } from '../requirements/readable.js'
import { NO_ALARM } from '../requirements/commissioning/alarm-codes.js'
import type { SheetHead } from '../sheet/head.js'
import type { UnitKind } from '../sheet/terms.js'
import type { Check, JudgedCheck } from './check.js'

/** What one device holds at one moment, by the keys of its points. */
export interface ReadValues {
  device: DeviceNamed
  /** ISO 8601 */
  at: string
  points: Readonly<Record<string, PointRead>>
}

/** What a check can be told by the device of its own unit. */
export const readsOf = ({ requirement }: Pick<Check, 'requirement'>): readonly Readable[] =>
  readableOf(requirement).filter(({ of }) => of === undefined)

/** Every point that the sheets of a job want of one unit: for its own checks, and for those of others that name its kind. */
export function pointsAsked(
  unitId: string,
  kind: UnitKind | undefined,
  checks: readonly JudgedCheck[],
): DevicePoint[] {
  const wanted = checks.flatMap(({ check }) =>
    readableOf(check.requirement)
      .filter(({ of }) => (of === undefined ? check.unit.id === unitId : of === kind))
      .map(({ point }) => point),
  )
  return [...new Map(wanted.map((point) => [pointKey(point), point])).values()]
}

/**
 * The answer of a check with what a device says put into it, and the word for the record. What a person entered stays where the device
 * says nothing, and where `only` passes a part over. Undefined where it says nothing at all that is asked here.
 */
export function answerFromDevice(
  check: Check,
  read: ReadValues,
  before: Answer | undefined,
  figures: SheetHead['figures'],
  only: (part: string) => boolean = () => true,
): { answer: Answer; word: DeviceWord } | undefined {
  const found = readsOf(check)
    .filter(({ part }) => only(part))
    .flatMap(({ part, point }) => {
      const one = read.points[pointKey(point)]
      return one ? [{ part, point, read: one, value: meant(point, one.value, read.at) }] : []
    })
  const told = asAnswer(check, found, before, read.at)
  if (!told || told.parts.length === 0) return undefined
  const points = found
    .filter(({ part }) => told.parts.includes(part))
    .map(({ part, point, read: { register, raw, exponent } }) => ({
      part,
      point: pointWords(point),
      register,
      raw: String(raw),
      exponent,
      at: read.at,
    }))
  return { answer: told.answer, word: { device: read.device, points, ...(figures && { figures }) } }
}

interface Found {
  part: string
  value: number | string
}

/** The answer, and which parts of it were told just now. */
function asAnswer(
  { ask, requirement }: Check,
  found: readonly Found[],
  before: Answer | undefined,
  at: string,
): { answer: Answer; parts: string[] } | undefined {
  if (ask.kind !== 'record') return undefined
  if (ask.form === 'choice') {
    const value = found.find(({ part }) => part === 'chosen')?.value
    if (value === undefined) return undefined
    return { answer: { chosen: Number(value) === 0 ? NO_ALARM : String(value) }, parts: ['chosen'] }
  }
  if (ask.form === 'steps' && requirement.kind === 'ordered-steps') {
    const done = (before as AnswerOf<'steps'> | undefined)?.done ?? []
    const fresh = requirement.steps
      .filter(({ id, seen }) => seen && !done.some((one) => one.id === id) && isDone(seen, found, id))
      .map(({ id }) => id)
    return { answer: { done: [...done, ...fresh.map((id) => ({ id, at }))] }, parts: fresh }
  }
  if (ask.form !== 'fields') return undefined
  const told = ask.fields.flatMap(({ id, dimension, unit }) => {
    const value = found.find(({ part }) => part === id)?.value
    return value === undefined ? [] : [[id, asTyped(value, dimension, unit)] as const]
  })
  const values = { ...(before as AnswerOf<'fields'> | undefined)?.values, ...Object.fromEntries(told) }
  return { answer: { values }, parts: told.map(([id]) => id) }
}

/** As a person would type it: with its unit where it is a quantity. */
function asTyped(value: number | string, dimension: Dimension | undefined, unit: string | undefined) {
  if (!dimension || typeof value === 'string') return { typed: String(value) }
  if (dimension === 'count') return { typed: String(value), value }
  return { typed: `${value} ${unit ?? canonicalUnit(dimension)}`, value }
}

function isDone(
  { atLeast, equals }: { atLeast?: number | undefined; equals?: number | undefined },
  found: readonly Found[],
  id: string,
): boolean {
  const value = Number(found.find(({ part }) => part === id)?.value)
  if (!Number.isFinite(value)) return false
  return (atLeast === undefined || value >= atLeast) && (equals === undefined || value === equals)
}

/** The serials that a device lists as heard, ever: its list is read to the last place that it has. */
export function serialsHeard(
  check: Pick<Check, 'requirement'>,
  { points }: Pick<ReadValues, 'points'>,
): string[] {
  const reads = readsOf(check)
  const at = (part: string) => {
    const point = reads.find((one) => one.part === part)?.point
    return point && points[pointKey(point)]?.value
  }
  return reads.flatMap((_, i) => {
    const serial = at(`serial-${i}`)
    // Minutes that are not there mean that it was never heard.
    return typeof serial === 'string' && at(`minutes-${i}`) !== undefined ? [serial] : []
  })
}
