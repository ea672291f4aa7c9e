import {
  measures,
  uncertaintyOf,
  type Dimension,
  type Instrument,
  type InstrumentKind,
} from '@plumb-mark/core'
import type { Chance } from '../chance.js'

type Accuracy = Instrument['accuracy'][number]
const good = (dimension: Dimension, percent: number, plus: number): Accuracy => ({ dimension, percent, plus })

/** What lies in the bag: fine enough for the windows of the sheets. */
const ACCURACIES = {
  tape: [good('length', 0, 0.5), good('cable-length', 0, 0.01)],
  'torque-driver': [good('torque', 2, 0)],
  multimeter: [good('voltage', 0.3, 0.05)],
  'insulation-tester': [good('insulation', 3, 0)],
  'continuity-tester': [good('resistance', 1, 0.002)],
  'clamp-meter': [good('current', 1, 0.02), good('power', 1, 10)],
  'light-meter': [good('irradiance', 2, 0)],
  thermometer: [good('temperature', 0, 0.5)],
  level: [good('angle', 0, 0.1)],
  caliper: [good('length', 0, 0.05), good('conductor-size', 1, 0)],
} as const satisfies Partial<Record<InstrumentKind, readonly Accuracy[]>>

const NAMES = {
  tape: 'Tape',
  'torque-driver': 'Torque driver',
  multimeter: 'Multimeter',
  'insulation-tester': 'Insulation tester',
  'continuity-tester': 'Continuity tester',
  'clamp-meter': 'Clamp meter',
  'light-meter': 'Light meter',
  thermometer: 'Thermometer',
  level: 'Level',
  caliper: 'Caliper',
} satisfies Record<keyof typeof ACCURACIES, string>

export const INSTRUMENTS: readonly Instrument[] = Object.entries(ACCURACIES).map(([kind, accuracy], i) => ({
  id: kind,
  name: NAMES[kind as keyof typeof NAMES],
  kind: kind as InstrumentKind,
  serial: `P-${101 + i}`,
  calibratedUntil: '2030-01-01',
  accuracy: [...accuracy],
}))

/** The one of a kind, where its kind is asked for; else the first that measures such a thing. */
export const instrumentFor = (
  dimension: Dimension | undefined,
  kind?: InstrumentKind,
): Instrument | undefined =>
  INSTRUMENTS.find((one) => one.kind === kind && (!dimension || measures(one, dimension))) ??
  INSTRUMENTS.find((one) => dimension && measures(one, dimension))

/** As much of an instrument's uncertainty as a careful hand leaves. */
const CARE = 0.5
const DECIMALS = 4

/** A figure as an instrument shows it: the true one and an error that its uncertainty covers. */
export function shown(value: number, dimension: Dimension, chance: Chance): number {
  const uncertainty = uncertaintyOf(instrumentFor(dimension), dimension, value)
  return Number((value + CARE * uncertainty * chance.between(-1, 1)).toFixed(DECIMALS))
}
