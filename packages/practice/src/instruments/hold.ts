import { measures, type Instrument, type JudgedCheck, type PointId } from '@plumb-mark/core'
import type { Found } from '../found/answer.js'
import { Chance } from '../chance.js'
import { figureTimes } from '../faults/index.js'
import { lookedAt } from './looked-at.js'
import { between, type Probe } from './probes.js'
import type { Scenario } from '../scenario/scenario.js'
import { onSuchADay, weatherAfter } from '../scenario/weather.js'

type Check = JudgedCheck['check']

/** What is in the bag: the instruments of the site, one of each kind also as it lay there too long. */
export function bagOf(scenario: Scenario): Instrument[] {
  const good = new Map<string, Instrument>()
  for (const { body } of scenario.right.values())
    if ('instrument' in body && body.instrument) good.set(body.instrument.id, body.instrument)
  return [...good.values()].flatMap((instrument) => [
    instrument,
    {
      ...instrument,
      id: `${instrument.id}-old`,
      name: `${instrument.name}, the old one`,
      calibratedUntil: '2020-06-30',
    },
  ])
}

/** How an instrument is held: which it is, at what it tests, where its probes are, on which screw it sits. */
export interface Hold {
  instrument?: Instrument | undefined
  testVoltage?: number | undefined
  red?: Probe | undefined
  black?: Probe | undefined
  screw?: PointId | undefined
}

/** What else than the instrument is chosen before it shows anything. */
export function settingOf(
  { ask, stage }: Check,
  instrument: Instrument,
): 'volts' | 'probes' | 'screw' | undefined {
  if (ask.kind !== 'reading' || !measures(instrument, ask.dimension)) return undefined
  if (ask.dimension === 'torque') return 'screw'
  if (ask.dimension === 'insulation') return 'volts'
  return ask.dimension === 'voltage' && stage === 'dc' ? 'probes' : undefined
}

/** Is all chosen that this instrument needs to be chosen? */
export function isHeld(check: Check, { instrument, testVoltage, red, black, screw }: Hold): boolean {
  if (!instrument) return false
  const chosen = { volts: testVoltage, probes: red && black, screw }
  const setting = settingOf(check, instrument)
  return setting === undefined || chosen[setting] !== undefined
}

/** The places of the same kind at the same unit: whoever points at one may point at its neighbour. */
export const besides = ({ checks }: Scenario, { requirement, unit }: Check): Check[] =>
  checks.flatMap(({ check }) =>
    check.requirement.id === requirement.id && check.unit.id === unit.id ? [check] : [],
  )

/**
 * What is seen or read for a point with an instrument held so, some minutes after the begin: the same each time. Held elsewhere, it says what
 * is there.
 */
export function look(scenario: Scenario, point: PointId, hold: Hold = {}, minutes = 0): Found {
  const { instrument, testVoltage, red, black, screw } = hold
  const probes = red && black && between(red, black)
  const there = probes?.at ?? screw ?? point
  const judged = scenario.checks.find(({ check }) => check.point === there)!
  const begun = lookedAt(scenario, judged, new Chance(scenario.seed + there.length))
  const found = onSuchADay(begun, weatherAfter(scenario.weather, minutes), scenario.entries)
  if (found.kind !== 'reading') return found
  const { typed, value, unit, relation, conditions: noted } = found.body
  const conditions = noted && { ...noted, ...(testVoltage !== undefined && { testVoltage }) }
  const shown = { typed, value, unit, ...(probes && figureTimes({ typed, value, unit }, probes.factor)) }
  const how = { ...(conditions && { conditions }), ...(instrument && { instrument }) }
  return { kind: 'reading', body: { point, ...shown, relation, ...how } }
}
