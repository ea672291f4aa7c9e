import { measures, type Instrument, type JudgedCheck, type PointId } from '@plumb-mark/core'
import type { Found } from './answer.js'
import { Chance } from './chance.js'
import { lookedAt } from './inspectors.js'
import { probed, type ProbeEnd } from './probes.js'
import type { Scenario } from './scenario.js'

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

/** How an instrument is held: which it is, at what it tests, where its probes are. */
export interface Hold {
  instrument?: Instrument | undefined
  testVoltage?: number | undefined
  red?: ProbeEnd | undefined
  black?: ProbeEnd | undefined
}

/** What else than the instrument is chosen before it shows anything. */
export const settingOf = (
  { ask, stage }: JudgedCheck['check'],
  instrument: Instrument,
): 'volts' | 'probes' | undefined => {
  if (ask.kind !== 'reading' || !measures(instrument, ask.dimension)) return undefined
  if (ask.dimension === 'insulation') return 'volts'
  return ask.dimension === 'voltage' && stage === 'dc' ? 'probes' : undefined
}

/** Is all chosen that this instrument needs to be chosen? */
export function isHeld(check: JudgedCheck['check'], { instrument, testVoltage, red, black }: Hold): boolean {
  if (!instrument) return false
  const chosen = { volts: testVoltage, probes: red && black }
  const setting = settingOf(check, instrument)
  return setting === undefined || chosen[setting] !== undefined
}

/** What is seen or read at a point with an instrument held so: the same each time. */
export function look(
  scenario: Scenario,
  point: PointId,
  { instrument, testVoltage, red, black }: Hold = {},
): Found {
  const judged = scenario.checks.find(({ check }) => check.point === point)!
  const found = lookedAt(scenario, judged, new Chance(scenario.seed + point.length))
  if (found.kind !== 'reading') return found
  const { point: at, typed, value, unit, relation, conditions: there } = found.body
  const conditions = there && { ...there, ...(testVoltage !== undefined && { testVoltage }) }
  const body = { point: at, typed, value, unit, relation, ...(conditions && { conditions }) }
  const shown: Found = { kind: 'reading', body: { ...body, ...(instrument && { instrument }) } }
  return red && black ? probed(shown, red, black) : shown
}
