import { KINDS } from '../requirements/kinds.js'
import type { CheckId } from '../ids/ids.js'
import type { Stage } from '../sheet/stages.js'
import type { UnitKind } from '../sheet/terms.js'
import type { JudgedCheck } from '../walk/check.js'
import { needsOf } from './kit.js'
import type { MinutesByKind } from './duration.js'

/** Where a person stands while checking. */
export const WORK_PLACES = ['roof', 'units', 'board', 'battery'] as const
export type WorkPlace = (typeof WORK_PLACES)[number]

const PLACE_OF = {
  module: 'roof',
  'module-electronics': 'roof',
  'small-inverter': 'roof',
  battery: 'battery',
  meter: 'board',
  gateway: 'board',
  controller: 'board',
  installation: 'board',
  'hybrid-inverter': 'units',
  'string-inverter': 'units',
  'dc-isolator': 'units',
} satisfies Record<UnitKind, WorkPlace>

/** How often a clause was judged on units of one kind, and how often it failed. */
export interface ClauseHistory {
  maker: string
  model: string
  clause: string
  judged: number
  failed: number
}

/** Checks of one stage at one place, done without going elsewhere. */
export interface WalkBlock {
  stage: Stage
  place: WorkPlace
  checks: CheckId[]
  minutes: number
  daylight: boolean
  /** How many of them will be wrong, going by what failed on such units. */
  expectedFailures: number
  /** Those that fail more often than the rest does, worst first. */
  worst: { checkId: CheckId; title: string; rate: number }[]
}

/** As if so many were judged before with the rate of all: three of four is no trend. */
const PRIOR = 10
const WORST = 3

/** What is left of a walk, in blocks: by stage and by where it is done. */
export function blocksOf(
  checks: readonly JudgedCheck[],
  kindOf: (unitId: string) => UnitKind | undefined,
  history: readonly ClauseHistory[],
  adjusted: MinutesByKind = {},
): WalkBlock[] {
  const { all, rate } = ratesOf(history)
  const left = checks.filter(
    ({ check, outcome }) =>
      check.because === undefined && outcome.verdict === 'not-inspected' && check.ask.kind !== 'derived',
  )
  const blocks = new Map<string, JudgedCheck[]>()
  for (const judged of left) {
    const key = `${judged.check.stage} ${placeOf(judged, kindOf)}`
    blocks.set(key, [...(blocks.get(key) ?? []), judged])
  }
  return [...blocks.values()].map((here) => {
    const rated = here
      .map(({ check }) => ({ checkId: check.id, title: check.title, rate: rate(check) }))
      .sort((a, b) => b.rate - a.rate)
    return {
      stage: here[0]!.check.stage,
      place: placeOf(here[0]!, kindOf),
      checks: here.map(({ check }) => check.id),
      minutes: here.reduce(
        (sum, { check: { requirement } }) =>
          sum + (adjusted[requirement.kind] ?? KINDS[requirement.kind].minutes),
        0,
      ),
      daylight: here.some(({ check }) => needsOf(check).includes('daylight')),
      expectedFailures: rated.reduce((sum, one) => sum + one.rate, 0),
      worst: rated.filter((one) => one.rate > all).slice(0, WORST),
    }
  })
}

const placeOf = ({ check }: JudgedCheck, kindOf: (unitId: string) => UnitKind | undefined): WorkPlace => {
  if (check.stage === 'roof') return 'roof'
  if (check.stage === 'battery') return 'battery'
  if (check.stage === 'meter') return 'board'
  const kind = kindOf(check.unit.id)
  return kind ? PLACE_OF[kind] : 'units'
}

/** The share of all clauses that failed, and of such clauses on such units, drawn towards it where there are few. */
function ratesOf(history: readonly ClauseHistory[]) {
  const [judged, failed] = [
    history.reduce((n, one) => n + one.judged, 0),
    history.reduce((n, one) => n + one.failed, 0),
  ]
  const all = judged > 0 ? failed / judged : 0
  const by = new Map(history.map((one) => [`${one.maker}\n${one.model}\n${one.clause}`, one]))
  const rate = ({ sheet, requirement }: JudgedCheck['check']): number => {
    const own = by.get(`${sheet.maker}\n${sheet.model}\n${requirement.clause}`)
    return ((own?.failed ?? 0) + PRIOR * all) / ((own?.judged ?? 0) + PRIOR)
  }
  return { all, rate }
}
