import { inForce } from '../job/state.js'
import { expected } from '../requirements/dc/string-open-circuit.js'
import type { Verdict } from '../verdict/verdict.js'
import type { JudgedCheck } from '../walk/check.js'
import { evidenceInputOf } from '../walk/evidence-input-of.js'
import type { Inspection } from '../walk/inspect.js'
import { operatingVoltage } from '../requirements/dc/operating-voltage.js'
import { stringColdLimit } from '../dc/string-cold-limit.js'
import { stringBand } from '../dc/string-voltage.js'

/** One string beside what it is held against, V throughout. */
export interface StringOnChart {
  /** The check of its open-circuit voltage. */
  id: string
  label: string
  unitLabel: string
  input: string
  count: number
  verdict: Verdict
  /** Of the input. */
  limit: number
  start: number | undefined
  measured: number | undefined
  /** What the reading should be at its temperature and irradiance, as far as those were noted. */
  band: { from: number; to: number } | undefined
  /** On the coldest morning, by the string's own school. */
  cold: { voltage: number; verdict: Verdict } | undefined
  /** At the maximum power point, hot to cold, and where its input can follow that. */
  operating:
    { from: number; to: number; least: number; most: number | undefined; verdict: Verdict } | undefined
}

/**
 * Every string whose open-circuit voltage is asked for, in the order of the checks: measured, expected,
 * coldest morning, tracker window.
 */
export function stringChart(inspection: Inspection): StringOnChart[] {
  const beside = (kind: 'cold-limit' | 'tracker-window', of: JudgedCheck) =>
    inspection.checks.find(
      ({ check }) =>
        check.requirement.kind === kind &&
        check.unit.id === of.check.unit.id &&
        check.subject.id === of.check.subject.id,
    )
  return inspection.checks.flatMap((judged) => {
    const { check, history, outcome } = judged
    const { requirement, subject, unit } = check
    if (requirement.kind !== 'string-open-circuit' || !subject.string) return []
    const evidence = evidenceInputOf(check.ask, inForce(history))
    const given = evidence?.kind === 'reading' ? evidence : undefined
    const expectation = given && expected(subject.string, given)
    const spread = expectation && stringBand(expectation.expected, given.uncertainty)
    return [
      {
        id: check.id,
        label: subject.label,
        unitLabel: unit.label,
        input: subject.string.input,
        count: subject.string.count,
        verdict: outcome.verdict,
        limit: requirement.max,
        start: requirement.start,
        measured: given?.value,
        band:
          spread === undefined
            ? undefined
            : { from: Math.max(0, expectation!.expected - spread), to: expectation!.expected + spread },
        cold: coldOf(beside('cold-limit', judged), inspection),
        operating: operatingOf(beside('tracker-window', judged), inspection),
      },
    ]
  })
}

/**
 * Where the axis of the voltages ends, V: a twentieth beyond the highest limit and beyond all that is drawn on it, so that what exceeds a
 * limit is seen to.
 */
export const endOfVoltages = (rows: readonly StringOnChart[]): number =>
  Math.ceil(1.05 * Math.max(...rows.flatMap(voltagesOf)))

const voltagesOf = ({ limit, start, measured, band, cold, operating }: StringOnChart): number[] =>
  [limit, start, measured, band?.to, cold?.voltage, operating?.to, operating?.most].filter(
    (voltage) => voltage !== undefined,
  )

const COLDEST_OF_TABLE = -40

function coldOf(judged: JudgedCheck | undefined, { context: { header } }: Inspection): StringOnChart['cold'] {
  if (
    judged?.check.requirement.kind !== 'cold-limit' ||
    !judged.check.subject.string ||
    header?.coldest === undefined ||
    header.coldest < COLDEST_OF_TABLE
  )
    return undefined
  const { module, count, coldMethod = 'coefficient' } = judged.check.subject.string
  const { maxVoc } = stringColdLimit({
    module,
    count,
    minTemperature: header.coldest,
    inverterMax: judged.check.requirement.max,
    method: coldMethod,
  })
  return { voltage: maxVoc, verdict: judged.outcome.verdict }
}

function operatingOf(judged: JudgedCheck | undefined, { context }: Inspection): StringOnChart['operating'] {
  if (judged?.check.requirement.kind !== 'tracker-window') return undefined
  const { min, max, hottestCell } = judged.check.requirement
  const voltage = operatingVoltage(
    (judged.check.subject.string?.path ?? []).map((place) => context.array().moduleAt(place)),
    { hottestCell, coldest: context.header?.coldest },
  )
  return (
    voltage && {
      from: voltage.hot,
      to: voltage.cold ?? voltage.standard,
      least: min,
      most: max,
      verdict: judged.outcome.verdict,
    }
  )
}
