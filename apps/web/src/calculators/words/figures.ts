import { formatQuantity, type Dimension } from '@plumb-mark/core'
import { shown } from '../shown.js'

interface FigureWords {
  label: string
  dimension?: Dimension
  /** Where no dimension of ours has it, or it is read in this unit. */
  unit?: string
}

/** What a calculator answers, by the calculator and the name of the figure. */
export const FIGURES: Readonly<Record<string, FigureWords>> = {
  margin: { label: 'Margin' },
  'string-voltage:expected': { label: 'Expected of the string', dimension: 'voltage' },
  'string-cold-limit:maxVoc': { label: 'On the coldest morning', dimension: 'voltage' },
  'string-cold-limit:factor': { label: 'Factor of the cold' },
  'string-cold-limit:allowedCount': { label: 'Modules that would just do' },
  'safe-voltage:expected': { label: 'Expected of the string', dimension: 'voltage' },
  unitsSeen: { label: 'Units that show' },
  unitsMissing: { label: 'Units that do not show' },
  reversed: { label: 'Reversed' },
  byBreaker: { label: 'Units by the breaker' },
  allowed: { label: 'Units allowed' },
  riseVolts: { label: 'Voltage rise', dimension: 'voltage' },
  risePercent: { label: 'Voltage rise', unit: '%' },
  designCurrent: { label: 'Must carry', dimension: 'current' },
  ampacity: { label: 'May carry', dimension: 'current' },
  ambientFactor: { label: 'Factor of the ambient temperature' },
  groupingFactor: { label: 'Factor of grouping' },
  dropVolts: { label: 'Voltage drop', dimension: 'voltage' },
  dropPercent: { label: 'Voltage drop', unit: '%' },
  'protective-earth:required': { label: 'Size asked for', dimension: 'conductor-size' },
  requiredStandard: { label: 'Next size that exists', dimension: 'conductor-size' },
  governing: { label: 'Decided by' },
  continuityLimit: { label: 'Resistance at most', dimension: 'resistance' },
  requiredTestVoltage: { label: 'Test voltage asked for', dimension: 'voltage' },
  'insulation:minimum': { label: 'Insulation at least', dimension: 'insulation' },
  status: { label: 'Found' },
  'fixings:tension': { label: 'Pull on one fixing', unit: 'kN' },
  'fixings:shear': { label: 'Load across one fixing', unit: 'kN' },
  utilisation: { label: 'Part of what they hold' },
  matched: { label: 'Where they should be' },
  settledAt: { label: 'Settled at', dimension: 'time' },
  secondsToSettle: { label: 'Took to settle', dimension: 'time' },
  secondsOver: { label: 'Beyond the limit for', dimension: 'time' },
  peak: { label: 'Peak', dimension: 'power' },
  usableKwh: { label: 'Usable in an outage', unit: 'kWh' },
  overloaded: { label: 'More load than the output gives' },
  hours: { label: 'Lasts', unit: 'h' },
  residual: { label: 'Misfit of the known points', dimension: 'length' },
  'expected-power:expected': { label: 'Expected in this light', dimension: 'power' },
  ratio: { label: 'Share of the expectation' },
  clipped: { label: 'Clipped by the inverter' },
  least: { label: 'Least that conforms', dimension: 'power' },
  'expected-power:uncertainty': { label: 'Uncertainty', dimension: 'power' },
  neverSeen: { label: 'Never heard' },
  strangers: { label: 'Strangers' },
  silent: { label: 'Silent now' },
  'rail-marks:length': { label: 'Length of the row', dimension: 'length' },
  unitsMoved: { label: 'Units to move' },
  travel: { label: 'Moved in all', dimension: 'length' },
  exact: { label: 'Nothing less would do' },
}

/** Answers that are a word of the program, in those of the trade. */
const ANSWERS: Readonly<Record<string, string>> = {
  identified: 'one wiring explains them',
  ambiguous: 'several wirings explain them',
  unexplained: 'no wiring explains them',
  method: 'the method',
  sheet: 'the maker’s least size',
  found: 'a rework',
  conforms: 'nothing is to be moved',
  impossible: 'none on this wall',
}

export const figureLabel = (calculator: string, name: string): string =>
  wordsFor(calculator, name)?.label ?? name.replace(/([A-Z])/g, ' $1').toLowerCase()

const wordsFor = (calculator: string, name: string): FigureWords | undefined =>
  FIGURES[`${calculator}:${name}`] ?? FIGURES[name]

/** A figure of a result with its unit, no finer than it is known. */
export function figureShown(calculator: string, name: string, value: number | string | boolean): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'string') return ANSWERS[value] ?? value
  const words = wordsFor(calculator, name)
  if (words?.dimension) return formatQuantity(value, words.dimension, { significant: 4 })
  return words?.unit ? `${shown(value)} ${words.unit}` : shown(value)
}
