import { atLeast, atMost } from '../verdict/compare.js'
import { uncertaintyField } from '../verdict/decision.js'
import { Lazily } from '../verdict/lazily.js'
import { volts } from '../quantity/figure.js'
import { formatNumber } from '../quantity/phrases.js'
import { msg, type Message } from '../quantity/message.js'
import { count, num, object, optional, type Read } from '../shape/shape.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'
import { moduleShape } from './module.js'

/** Boltzmann's constant over the elementary charge, V/K. */
const THERMAL_VOLTAGE_PER_KELVIN = 8.617333e-5
const ABSOLUTE_ZERO = -273.15
/** Below this irradiance the logarithm is a poor model of a real cell. */
const WEAK_IRRADIANCE = 200

export const stringVoltageInput = object({
  module: moduleShape,
  count: count('modules in series as designed'),
  measured: object({ voc: num({ unit: 'V', about: 'signed' }), uncertainty: uncertaintyField('V') }),
  conditions: object({
    cellTemperature: num({ unit: '°C', min: ABSOLUTE_ZERO }),
    irradiance: num({ unit: 'W/m²', sign: 'divisor' }),
  }),
  modelUncertainty: optional(num({ sign: 'magnitude', about: 'of the expectation, as a part of it' }), 0.01),
  idealityFactor: optional(num({ sign: 'divisor' }), 1.2),
})

type ReadInput = Read<typeof stringVoltageInput>
export type StringVoltageInput = Omit<ReadInput, 'modelUncertainty' | 'idealityFactor' | 'measured'> &
  Partial<Pick<ReadInput, 'modelUncertainty' | 'idealityFactor'>> & {
    measured: { voc: number; uncertainty?: number }
  }

export type HypothesisId =
  | 'as-designed'
  | `missing-${1 | 2 | 3}`
  | `extra-${1 | 2}`
  | 'reversed-leads'
  | `reversed-module-${1 | 2}`
  | `bypassed-${1 | 2 | 3}`
  | 'open'

export interface Hypothesis {
  id: HypothesisId
  /** V */
  voltage: number
  /** Distance of the reading from `voltage` in standard deviations, signed. */
  z: number
  probability: number
}

export interface StringVoltageResult extends Explained {
  /** V */
  expected: number
  /** Most probable first. */
  hypotheses: Hypothesis[]
  /** False when nothing comes within three standard deviations: then the reading itself is in doubt. */
  explained: boolean
  verdict: JudgedVerdict
}

/** What each hypothesis means to the person at the combiner, and what to look at first. */
export const HYPOTHESIS_WORDS = {
  'as-designed': { says: 'the string is as designed', lookAt: 'nothing to look for' },
  'missing-1': {
    says: 'one module is missing or bridged',
    lookAt: 'count the modules in the loop from one end to the other',
  },
  'missing-2': {
    says: 'two modules are missing or bridged',
    lookAt: 'count the modules in the loop from one end to the other',
  },
  'missing-3': {
    says: 'three modules are missing or bridged',
    lookAt: 'count the modules in the loop; a jumper may skip a row',
  },
  'extra-1': {
    says: 'one module too many',
    lookAt: 'count the modules; look for one that belongs to the neighbouring string',
  },
  'extra-2': {
    says: 'two modules too many',
    lookAt: 'count the modules; look for a jumper from the neighbouring string',
  },
  'reversed-leads': {
    says: 'the two leads are exchanged',
    lookAt: 'turn the meter leads round, then trace plus and minus to the array before anything is landed',
  },
  'reversed-module-1': {
    says: 'one module is connected backwards',
    lookAt: 'open the string in the middle, in the dark or covered, and measure the halves',
  },
  'reversed-module-2': {
    says: 'two modules are connected backwards',
    lookAt: 'open the string in the middle, in the dark or covered, and measure the halves',
  },
  'bypassed-1': {
    says: 'one third of a module is bypassed',
    lookAt: 'measure module by module; look for shade, a broken cell or a failed diode',
  },
  'bypassed-2': {
    says: 'two cell groups are bypassed',
    lookAt: 'measure module by module; look for shade, a broken cell or a failed diode',
  },
  'bypassed-3': {
    says: 'three cell groups, or a whole module, are bypassed',
    lookAt: 'measure module by module; look for a module in shade',
  },
  open: {
    says: 'the loop is open',
    lookAt: 'isolators, fuses, connectors not fully home; prove the meter on a known voltage',
  },
} satisfies Record<HypothesisId, { says: string; lookAt: string }>

/**
 * What does an open-circuit reading say about a string? The expectation follows the data sheet's temperature coefficient and the
 * logarithm of the irradiance; every usual fault is a hypothesis with a voltage of its own, weighed against the reading.
 * V, °C, W/m², %/K. Conforms when the design lies within two standard deviations and is at least as probable as all else together;
 * fails beyond three; both ends included. Bad input: irradiance or Voc not above zero, a count that is none, a coefficient outside (−1, 0].
 * Source: single-diode model at open circuit; Bayes' rule with normal errors.
 */
export function stringVoltage(input: StringVoltageInput): StringVoltageResult {
  const given = stringVoltageInput.read(input, '')
  const perModule = moduleVoltage(given)
  const expected = given.count * perModule.value
  const hypotheses = weigh(hypothesesFor(given.count, given.module.bypassDiodes, perModule.value), given)
  const design = hypotheses.find(({ id }) => id === 'as-designed')!
  const explained = hypotheses.some(({ z }) => atMost(Math.abs(z), 3))
  return new StringReading(expected, hypotheses, explained, judge(design), () => ({
    working: [
      ...perModule.working(),
      msg`${given.count} × ${volts(perModule.value)} = ${volts(expected)} expected`,
      msg`read ${volts(given.measured.voc)}: ${formatNumber(Math.abs(design.z))} standard deviations ${design.z < 0 ? 'below' : 'above'} the design`,
      msg`most probable: ${HYPOTHESIS_WORDS[hypotheses[0]!.id].says} (${volts(hypotheses[0]!.voltage)}, ${formatNumber(100 * hypotheses[0]!.probability, 1)} %)`,
    ],
    notes: notesFor(given, hypotheses),
  }))
}

class StringReading extends Lazily implements StringVoltageResult {
  constructor(
    readonly expected: number,
    readonly hypotheses: Hypothesis[],
    readonly explained: boolean,
    readonly verdict: JudgedVerdict,
    words: () => Explained,
  ) {
    super(words)
  }
}

function moduleVoltage({ module, conditions, idealityFactor }: ReadInput): {
  value: number
  working: () => Message[]
} {
  const { cellTemperature, irradiance } = conditions
  const warm = module.voc * (1 + (module.vocTempCoeff / 100) * (cellTemperature - 25))
  const kelvin = cellTemperature - ABSOLUTE_ZERO
  const byIrradiance =
    module.cellsInSeries * idealityFactor * THERMAL_VOLTAGE_PER_KELVIN * kelvin * Math.log(irradiance / 1000)
  return {
    value: warm + byIrradiance,
    working: () => [
      msg`one module at ${formatNumber(cellTemperature)} °C: ${volts(module.voc)} × (1 ${module.vocTempCoeff < 0 ? '−' : '+'} ${formatNumber(Math.abs(module.vocTempCoeff) / 100, 5)} × ${formatNumber(cellTemperature - 25)}) = ${volts(warm)}`,
      msg`irradiance of ${formatNumber(irradiance)} W/m²: ${module.cellsInSeries} cells × ${formatNumber(idealityFactor)} × 8.617333e−5 V/K × ${formatNumber(kelvin)} K × ln(${formatNumber(irradiance / 1000, 3)}) = ${volts(byIrradiance)}`,
    ],
  }
}

interface Candidate {
  id: HypothesisId
  voltage: number
  prior: number
}

function hypothesesFor(n: number, diodes: number, v: number): Candidate[] {
  const missing = (
    [
      [1, 0.03],
      [2, 0.008],
      [3, 0.002],
    ] as const
  ).filter(([m]) => m < n)
  const extra = [
    [1, 0.01],
    [2, 0.003],
  ] as const
  const reversed = (
    [
      [1, 0.01],
      [2, 0.002],
    ] as const
  ).filter(([r]) => 2 * r < n)
  const bypassed = (
    [
      [1, 0.01],
      [2, 0.003],
      [3, 0.001],
    ] as const
  ).filter(([s]) => s < n * diodes)
  return [
    { id: 'as-designed', voltage: n * v, prior: 0.9 },
    ...missing.map(([m, prior]) => ({ id: `missing-${m}` as const, voltage: (n - m) * v, prior })),
    ...extra.map(([m, prior]) => ({ id: `extra-${m}` as const, voltage: (n + m) * v, prior })),
    { id: 'reversed-leads', voltage: -n * v, prior: 0.02 },
    ...reversed.map(([r, prior]) => ({
      id: `reversed-module-${r}` as const,
      voltage: (n - 2 * r) * v,
      prior,
    })),
    ...bypassed.map(([s, prior]) => ({
      id: `bypassed-${s}` as const,
      voltage: n * v * (1 - s / (n * diodes)),
      prior,
    })),
    { id: 'open', voltage: 0, prior: 0.001 },
  ]
}

/** Standard deviation of a reading about an expected voltage, V; never less than half a volt. */
function spreadOf(voltage: number, fromMeter: number, modelUncertainty: number): number {
  return Math.max(0.5, Math.hypot(fromMeter, modelUncertainty * voltage))
}

/** Half the width of the band in which a reading conforms, V: two standard deviations. `uncertainty` is the meter's, k = 2. */
export function stringBand(expected: number, uncertainty = 0, modelUncertainty = 0.01): number {
  return 2 * spreadOf(expected, uncertainty / 2, modelUncertainty)
}

/** Weighed in logarithms, so that a reading far from everything still leaves probabilities and not 0/0. */
function weigh(candidates: Candidate[], { measured, modelUncertainty }: ReadInput): Hypothesis[] {
  const fromMeter = measured.uncertainty / 2
  const weighed = candidates.map(({ id, voltage, prior }) => {
    const spread = id === 'open' ? Math.hypot(fromMeter, 2) : spreadOf(voltage, fromMeter, modelUncertainty)
    const z = (measured.voc - voltage) / spread
    return { id, voltage, z, logWeight: Math.log(prior) - (z * z) / 2 - Math.log(spread) }
  })
  const heaviest = Math.max(...weighed.map(({ logWeight }) => logWeight))
  const total = weighed.reduce((sum, { logWeight }) => sum + Math.exp(logWeight - heaviest), 0)
  return weighed
    .sort((a, b) => b.logWeight - a.logWeight)
    .map(({ id, voltage, z, logWeight }) => ({
      id,
      voltage,
      z,
      probability: Math.exp(logWeight - heaviest) / total,
    }))
}

function judge({ z, probability }: Hypothesis): JudgedVerdict {
  if (atMost(Math.abs(z), 2) && atLeast(probability, 0.5)) return 'conforms'
  return atMost(Math.abs(z), 3) ? 'not-proven' : 'does-not-conform'
}

function notesFor({ conditions }: ReadInput, hypotheses: Hypothesis[]): Message[] {
  const notes: Message[] = hypotheses
    .filter(({ id, z }) => id !== 'as-designed' && atMost(Math.abs(z), 2))
    .map(
      ({ id, voltage }) =>
        msg`would also read like this: ${HYPOTHESIS_WORDS[id].says} (${volts(voltage)}); ${HYPOTHESIS_WORDS[id].lookAt}`,
    )
  if (!hypotheses.some(({ z }) => atMost(Math.abs(z), 3)))
    notes.push('no usual fault explains this figure: doubt the reading first, prove the meter and read again')
  if (conditions.irradiance < WEAK_IRRADIANCE)
    notes.push(`under ${WEAK_IRRADIANCE} W/m² the reading is weak evidence: repeat at a higher irradiance`)
  return notes
}
