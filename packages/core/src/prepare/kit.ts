import { INSTRUMENT_NAMES, type InstrumentKind } from '../instrument/instrument-kinds.js'
import type { AsBuilt } from '../as-built/as-built.js'
import { measures, outOfCalibration, type Instrument } from '../instrument/instrument.js'
import { formatQuantity } from '../quantity/format.js'
import { canonicalUnit, type Dimension } from '../quantity/units.js'
import { NEEDS, NEED_WORDS, type Need } from '../sheet/terms.js'
import type { SheetHead } from '../sheet/head.js'
import { STAGE_TITLES, type Stage } from '../sheet/stages.js'
import type { Check, JudgedCheck } from '../walk/check.js'
import { limitsOf } from '../requirements/general/limits.js'
import { liftPlan, type LiftPlanResult } from '../wall/lift-plan.js'

/** One instrument that the checks ask for, with what it must read and which of the office's instruments will do. */
export interface InstrumentWanted {
  kind: InstrumentKind
  name: string
  dimension: Dimension | undefined
  /** Least and greatest limit that it is held against, canonical; undefined where nothing says. */
  from: number | undefined
  to: number | undefined
  /** "0.8 N·m to 4.5 N·m" */
  range: string
  checks: number
  fitting: { instrument: Instrument; expired: boolean }[]
}

export interface Kit {
  instruments: InstrumentWanted[]
  tools: string[]
  equipment: string[]
  lifts: LiftPlanResult['lifts']
  conditions: { need: Need; words: string; stages: Stage[]; checks: number }[]
}

/**
 * What to bring and what the day must be like, all of it derived from the checks and the sheets: instruments by kind and dimension with
 * the range of the limits they are held against, tools, protective equipment, lifts by mass, conditions. `day` is the day of the visit,
 * against which calibrations are judged.
 */
export function kitFor(
  checks: readonly JudgedCheck[],
  asBuilt: AsBuilt,
  sheetOf: (unitId: string) => SheetHead | undefined,
  available: readonly Instrument[],
  day: string,
): Kit {
  const asked = checks.map(({ check }) => check).filter(({ because }) => because === undefined)
  const heads = asBuilt.units.flatMap(({ id }) => sheetOf(id) ?? [])
  const heavy = asBuilt.units.flatMap(({ id, label }) => {
    const mass = sheetOf(id)?.mass
    return mass === undefined || mass <= 0 ? [] : [{ name: label.trim() || id, mass }]
  })
  return {
    instruments: instrumentsFor(asked, available, day),
    tools: unique([
      ...heads.flatMap(({ tools }) => tools ?? []),
      ...asked.flatMap(({ requirement }) => requirement.tools ?? []),
    ]),
    equipment: unique([
      ...heads.flatMap(({ equipment }) => equipment ?? []),
      ...asked.flatMap(({ requirement }) => requirement.equipment ?? []),
    ]),
    lifts: heavy.length === 0 ? [] : liftPlan({ items: heavy }).lifts,
    conditions: NEEDS.flatMap((need) => {
      const with_ = asked.filter((check) => needsOf(check).includes(need))
      return with_.length === 0
        ? []
        : [
            {
              need,
              words: NEED_WORDS[need],
              stages: unique(with_.map(({ stage }) => stage)),
              checks: with_.length,
            },
          ]
    }),
  }
}

const unique = <T>(all: readonly T[]): T[] => [...new Set(all)]

/** String readings need daylight by their nature; what else a check needs its sheet says. */
export function needsOf({ requirement, ask }: Check): readonly Need[] {
  const inDaylight = ask.kind === 'reading' && ask.conditions.includes('irradiance')
  return [...(requirement.needs ?? []), ...(inDaylight ? (['daylight'] as const) : [])]
}

function instrumentsFor(
  checks: readonly Check[],
  available: readonly Instrument[],
  day: string,
): InstrumentWanted[] {
  const wanted = new Map<string, InstrumentWanted & { figures: number[] }>()
  for (const check of checks) {
    const { ask } = check
    if (ask.kind !== 'reading' && ask.kind !== 'record') continue
    if (!ask.instrument) continue
    const dimension = dimensionOf(ask)
    const key = `${ask.instrument} ${dimension ?? ''}`
    const row = wanted.get(key) ?? {
      kind: ask.instrument,
      name: INSTRUMENT_NAMES[ask.instrument],
      dimension,
      from: undefined,
      to: undefined,
      range: '',
      checks: 0,
      fitting: [],
      figures: [],
    }
    row.checks++
    row.figures.push(...limitFigures(check))
    wanted.set(key, row)
  }
  return [...wanted.values()].map(({ figures, ...row }) => {
    const [from, to] =
      figures.length === 0 ? [undefined, undefined] : [Math.min(...figures), Math.max(...figures)]
    // What would not vouch for a reading is no use on the wall, whatever it is called; the kind that is asked for stands first.
    const fitting = available
      .filter((instrument) =>
        row.dimension === undefined ? instrument.kind === row.kind : measures(instrument, row.dimension),
      )
      .sort((a, b) => Number(b.kind === row.kind) - Number(a.kind === row.kind))
    return {
      ...row,
      from,
      to,
      range: rangeWords(row.dimension, from, to),
      fitting: fitting.map((instrument) => ({ instrument, expired: outOfCalibration(instrument, day) })),
    }
  })
}

/** What an instrument must measure for a check: of several fields, the first that is not just counted. */
function dimensionOf(ask: Extract<Check['ask'], { kind: 'reading' | 'record' }>): Dimension | undefined {
  if (ask.kind === 'reading' || ask.form === 'series') return ask.dimension
  return ask.form === 'fields'
    ? ask.fields.find(({ dimension }) => dimension && dimension !== 'count')?.dimension
    : undefined
}

function rangeWords(
  dimension: Dimension | undefined,
  from: number | undefined,
  to: number | undefined,
): string {
  if (!dimension) return ''
  if (from === undefined || to === undefined) return canonicalUnit(dimension)
  return from === to
    ? formatQuantity(to, dimension)
    : `${formatQuantity(from, dimension)} to ${formatQuantity(to, dimension)}`
}

/** "Roof, DC side" */
export const stageWords = (stages: readonly Stage[]): string =>
  stages.map((stage) => STAGE_TITLES[stage]).join(', ')

/** The figures that an instrument is held against in a check, canonical: what it must be able to read. */
function limitFigures({ requirement, subject }: Check): number[] {
  if (requirement.kind !== 'limits') return []
  const { min, max } = limitsOf(requirement, subject)
  return [min, max].filter((limit) => limit !== undefined)
}
