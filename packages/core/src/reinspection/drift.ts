import type { Dimension } from '../quantity/units.js'
import type { Evidence } from '../job/state.js'
import { uncertaintyOf, vouching } from '../instrument/instrument.js'
import type { PointId } from '../ids/ids.js'
import { stringVoltage } from '../dc/string-voltage.js'
import { attempt } from '../shape/attempt.js'
import type { Inspection } from '../walk/inspect.js'
import type { JudgedCheck } from '../walk/check.js'
import type { WalkContext } from '../walk/walk-context.js'
import { judge } from '../walk/judge.js'
import { whyInvalid } from '../walk/evidence-validity.js'

/** One reading of a series: when, what it came to at equal conditions (canonical unit), and how well it is known (expanded). */
export interface DriftPoint {
  at: string
  value: number
  uncertainty: number
  typed: string
}

export interface Drift {
  point: PointId
  title: string
  place: string
  dimension: Dimension
  unit: string | undefined
  /** Brought to 25 °C and 1000 W/m², so that two days can be compared. */
  atEqualConditions: boolean
  series: DriftPoint[]
  /** Change a year, canonical unit, and its expanded uncertainty. */
  perYear: number
  perYearUncertainty: number
  /** Greater than what the instruments can differ by. */
  drifts: boolean
  /** Where the requirement turns, in the direction of the drift. */
  limit?: number | undefined
  /** YYYY-MM-DD at which a straight line reaches the limit; undefined where it leads away from it, or not within fifty years. */
  reachesOn?: string | undefined
}

/** What ages: an insulation, a joint, a string. */
const AGES = ['insulation', 'earth-continuity', 'string-open-circuit', 'string-short-circuit']
/** What depends on light and temperature as well. */
const BY_CONDITIONS = ['string-open-circuit', 'string-short-circuit']

const YEAR_MS = 365.25 * 86_400_000
const FARTHEST_YEARS = 50

/**
 * How readings of the same points drift from one inspection to the next, oldest first: a straight line through them, weighted by their
 * instruments. It is called a drift only beyond its expanded uncertainty; readings without an instrument that vouches for them, or out of
 * range, are no part of it, nor those of a thing that was exchanged since. Voltages of strings are brought to equal conditions first.
 * Source: weighted least squares, JCGM 100.
 */
export function drifts(inspections: readonly Inspection[]): Drift[] {
  const now = inspections.at(-1)
  if (!now) return []
  return now.checks.flatMap((judged): Drift[] => {
    const { check } = judged
    if (check.ask.kind !== 'reading' || !AGES.includes(check.requirement.kind)) return []
    const { dimension, unit } = check.ask
    const series = inspections.flatMap((one) => pointOf(one, judged, now.context) ?? [])
    if (series.length < 2) return []
    const line = straightLine(series)
    if (!line) return []
    const { title, place, point } = check
    const drifting = Math.abs(line.perYear) > line.perYearUncertainty
    const limit = drifting ? limitOf(judged, now, series.at(-1)!, line.perYear) : undefined
    return [
      {
        point,
        title,
        place,
        dimension,
        unit,
        atEqualConditions: BY_CONDITIONS.includes(check.requirement.kind),
        series,
        perYear: line.perYear,
        perYearUncertainty: line.perYearUncertainty,
        drifts: drifting,
        limit,
        reachesOn: limit === undefined ? undefined : reachedOn(series.at(-1)!, line, limit),
      },
    ]
  })
}

/** The reading in force at the same point of another inspection, as long as it was taken on the same thing. */
function pointOf(
  inspection: Inspection,
  { check }: JudgedCheck,
  context: WalkContext,
): DriftPoint | undefined {
  if (check.ask.kind !== 'reading') return undefined
  const { dimension } = check.ask
  const at = inspection.at.byId.get(check.id)
  const there = at === undefined ? undefined : inspection.checks[at]
  const last = there?.history.findLast((one) => !one.struck && one.kind === 'reading')
  if (!there || last?.kind !== 'reading' || last.body.relation !== '=') return undefined
  if (whyInvalid(check, last, context) !== undefined) return undefined
  const instrument = vouching(last.body.instrument, dimension, last.body.value)
  const known = instrument ? uncertaintyOf(instrument, dimension, last.body.value) : 0
  if (!(known > 0)) return undefined
  const share = shareOfStandard(there, last)
  return share === undefined
    ? undefined
    : { at: last.at, value: last.body.value / share, uncertainty: known / share, typed: last.body.typed }
}

/** By how much a string reads more on that day than at standard conditions; 1 for what does not depend on them, undefined where they are not known. */
function shareOfStandard(
  { check }: JudgedCheck,
  evidence: Evidence & { kind: 'reading' },
): number | undefined {
  const string = check.subject.string
  if (check.requirement.kind === 'string-short-circuit') {
    const irradiance = evidence.body.conditions?.irradiance
    return irradiance && irradiance / 1000
  }
  if (check.requirement.kind !== 'string-open-circuit') return 1
  const { cellTemperature, irradiance } = evidence.body.conditions ?? {}
  if (!string || cellTemperature === undefined || irradiance === undefined) return undefined
  const { module, count } = string
  const expected = attempt(() =>
    stringVoltage({
      module,
      count,
      measured: { voc: evidence.body.value },
      conditions: { cellTemperature, irradiance },
    }),
  )
  return expected.ok ? expected.value.expected / (count * module.voc) : undefined
}

interface Line {
  perYear: number
  perYearUncertainty: number
  /** At the time of the last reading. */
  last: number
}

function straightLine(series: readonly DriftPoint[]): Line | undefined {
  const times = series.map(({ at }) => Date.parse(at) / YEAR_MS)
  const weights = series.map(({ uncertainty }) => 1 / (uncertainty / 2) ** 2)
  const sum = (of: (i: number) => number) => series.reduce((all, _, i) => all + weights[i]! * of(i), 0)
  const all = sum(() => 1)
  const [meanTime, meanValue] = [sum((i) => times[i]!) / all, sum((i) => series[i]!.value) / all]
  const spread = sum((i) => (times[i]! - meanTime) ** 2)
  if (!(spread > 0)) return undefined
  const perYear = sum((i) => (times[i]! - meanTime) * (series[i]!.value - meanValue)) / spread
  return {
    perYear,
    perYearUncertainty: 2 / Math.sqrt(spread),
    last: meanValue + perYear * (times.at(-1)! - meanTime),
  }
}

function reachedOn({ at }: DriftPoint, { last, perYear }: Line, limit: number): string | undefined {
  const years = (limit - last) / perYear
  if (!(years >= 0 && years <= FARTHEST_YEARS)) return undefined
  return new Date(Date.parse(at) + years * YEAR_MS).toISOString().slice(0, 10)
}

const HALVINGS = 60

/** Where the requirement itself turns, looked for from the last value in the direction of the drift with an instrument that is never wrong. */
function limitOf(
  { check }: JudgedCheck,
  { context }: Inspection,
  { value }: DriftPoint,
  perYear: number,
): number | undefined {
  // What is brought to equal conditions is not what the requirement speaks of.
  if (BY_CONDITIONS.includes(check.requirement.kind)) return undefined
  // The requirement itself is looked for, whatever of the thing is only proposed yet.
  const asked = { ...context, proposals: () => new Map<never, never>() }
  const holds = (tried: number) => {
    const reading = {
      kind: 'reading',
      value: tried,
      relation: '=',
      instrument: undefined,
      uncertainty: 0,
      conditions: SURE,
    } as const
    return judge(check, reading, asked).verdict !== 'does-not-conform'
  }
  if (!holds(value)) return undefined
  const beyond = firstBeyond(value, perYear, holds)
  if (beyond === undefined) return undefined
  let [good, bad] = beyond
  for (let i = 0; i < HALVINGS; i++) {
    const middle: number = (good + bad) / 2
    if (holds(middle)) good = middle
    else bad = middle
  }
  return good
}

/** The last value tried that holds and the first that does not, in ever longer steps. */
function firstBeyond(
  value: number,
  perYear: number,
  holds: (tried: number) => boolean,
): [good: number, bad: number] | undefined {
  let good = value
  for (let step = Math.max(Math.abs(value) / 8, 1e-6), i = 0; i < HALVINGS; i++, step *= 2) {
    const tried = perYear < 0 ? Math.max(0, good - step) : good + step
    if (!holds(tried)) return [good, tried]
    if (tried === 0) return undefined
    good = tried
  }
  return undefined
}

/** Test voltages that no requirement finds too low: the limit of the value is looked for, not that of the test. */
const SURE = { testVoltage: 1500 }
