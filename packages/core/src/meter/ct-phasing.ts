import { BadInput } from '../shape/bad-input.js'
import { atMost } from '../verdict/compare.js'
import { uncertaintyField } from '../verdict/decision.js'
import { formatNumber, joinAnd } from '../quantity/phrases.js'
import { list, num, object, refine, type Read } from '../shape/shape.js'
import type { Explained, JudgedVerdict } from '../verdict/verdict.js'

const power = () => object({ p: num({ unit: 'W', about: 'import positive' }), q: num({ unit: 'var' }) })

export const ctPhasingInput = refine(
  object({
    voltages: list(object({ magnitude: num({ unit: 'V', sign: 'divisor' }), angle: num({ unit: '°' }) }), {
      max: 3,
    }),
    truth: list(power(), { max: 3, about: 'what really flows on each phase at that moment' }),
    readings: list(power(), { max: 3, about: 'what each channel of the meter shows' }),
    uncertainty: uncertaintyField('VA'),
  }),
  ({ voltages, truth, readings }) => {
    for (const [name, rows] of [
      ['truth', truth],
      ['readings', readings],
    ] as const) {
      if (rows.length !== voltages.length)
        throw new BadInput(
          'wrong-length',
          name,
          `must have one entry for each of the ${voltages.length} phases`,
        )
    }
  },
)

type Given = Read<typeof ctPhasingInput>
export type CtPhasingInput = Omit<Given, 'uncertainty'> & { uncertainty?: number }
export interface Wiring {
  /** π: the phase, from 1, that the transformer of each channel sits on. */
  phases: number[]
  polarity: (1 | -1)[]
  /** Root mean square over the channels, VA. */
  residual: number
}
export interface CtPhasingResult extends Explained {
  status: 'identified' | 'ambiguous' | 'unexplained'
  best: Wiring
  consistent: Wiring[]
  /** What to swap and what to turn, in words. */
  fix: string[]
  verdict: JudgedVerdict
}

/**
 * Which current transformer sits on which phase, and which way round? V, °, W, var; the uncertainty in VA, itself included.
 * Every permutation and polarity predicts what each channel would read from the voltages and what really flows; those within the
 * uncertainty of the readings are consistent. On a tie the intended wiring stands first, then phases, then polarity.
 * Bad input: lists of unequal length, more than three phases, a phase without voltage. Source: complex power, S = V·conj(I).
 */
export function ctPhasing(input: CtPhasingInput): CtPhasingResult {
  const given = ctPhasingInput.read(input, '')
  const hypotheses = allWirings(given)
  const best = hypotheses.reduce((a, b) => (b.residual < a.residual - 1e-9 * Math.max(1, a.residual) ? b : a))
  const consistent = hypotheses.filter(({ residual }) => atMost(residual, given.uncertainty, largest(given)))
  const status = consistent.length === 1 ? 'identified' : consistent.length > 1 ? 'ambiguous' : 'unexplained'
  return {
    status,
    best,
    consistent,
    fix:
      status === 'unexplained'
        ? [
            'no wiring explains these readings: check voltages, ratio and the moment at which they were taken, and read again',
          ]
        : fixesFor(best),
    verdict: verdictOf(status, consistent),
    working: workingFor(given, best),
    notes: notesFor(status),
  }
}

/** A voltage or a current of one phase; the angle in degrees, against the clock. */
export interface Phasor {
  magnitude: number
  angle: number
}

/**
 * The currents that belong to powers, A: as they flow on each phase, and as the channels see them when the transformers sit as `wiring`
 * says. V, °, W, var. Source: complex power, I = conj(S / V).
 */
export function phaseCurrents(
  { voltages, truth }: Pick<CtPhasingInput, 'voltages' | 'truth'>,
  { phases, polarity }: Pick<Wiring, 'phases' | 'polarity'>,
): { flowing: Phasor[]; seen: Phasor[] } {
  const flowing = voltages.map(({ magnitude, angle }, k): Phasor => {
    const { p, q } = truth[k]!
    return { magnitude: Math.hypot(p, q) / magnitude, angle: angle - (Math.atan2(q, p) * 180) / Math.PI }
  })
  const seen = phases.map((phase, k): Phasor => ({
    magnitude: flowing[phase - 1]!.magnitude,
    angle: flowing[phase - 1]!.angle + (polarity[k] === -1 ? 180 : 0),
  }))
  return { flowing, seen }
}

/** Every hypothesis with its residual, the intended one first. The prediction of each pair of channel and phase is worked out once. */
function allWirings({ voltages, truth, readings }: Given): Wiring[] {
  const n = voltages.length
  const predicted = voltages.map((channel) =>
    voltages.map((phase, j) => {
      // V_k · conj(I_j) with I_j = conj(S_j / V_j) is S_j turned by the angle between the two voltages and scaled by their ratio.
      const scale = channel.magnitude / phase.magnitude
      const turn = ((channel.angle - phase.angle) * Math.PI) / 180
      const { p, q } = truth[j]!
      return {
        p: scale * (p * Math.cos(turn) - q * Math.sin(turn)),
        q: scale * (p * Math.sin(turn) + q * Math.cos(turn)),
      }
    }),
  )
  const square = (k: number, j: number, sign: number) =>
    (sign * predicted[k]![j]!.p - readings[k]!.p) ** 2 + (sign * predicted[k]![j]!.q - readings[k]!.q) ** 2
  return PERMUTATIONS[n]!.flatMap((phases) =>
    POLARITIES[n]!.map((polarity) => ({
      phases: phases.map((j) => j + 1),
      polarity: [...polarity],
      residual: Math.sqrt(phases.reduce((sum, j, k) => sum + square(k, j, polarity[k]!), 0) / n),
    })),
  )
}

const PERMUTATIONS: Record<number, number[][]> = {
  1: [[0]],
  2: [
    [0, 1],
    [1, 0],
  ],
  3: [
    [0, 1, 2],
    [0, 2, 1],
    [1, 0, 2],
    [1, 2, 0],
    [2, 0, 1],
    [2, 1, 0],
  ],
}
const POLARITIES: Record<number, (1 | -1)[][]> = Object.fromEntries(
  [1, 2, 3].map((n) => [
    n,
    Array.from({ length: 2 ** n }, (_, bits) =>
      Array.from({ length: n }, (__, k): 1 | -1 => ((bits >> (n - 1 - k)) & 1 ? -1 : 1)),
    ),
  ]),
)

const largest = ({ truth, readings }: Given) =>
  Math.max(...[...truth, ...readings].map(({ p, q }) => Math.hypot(p, q)))
const isIntended = ({ phases, polarity }: Wiring) =>
  phases.every((phase, k) => phase === k + 1) && polarity.every((sign) => sign === 1)

function verdictOf(status: CtPhasingResult['status'], consistent: readonly Wiring[]): JudgedVerdict {
  if (status === 'unexplained') return 'not-proven'
  const intended = consistent.some(isIntended)
  if (status === 'identified') return intended ? 'conforms' : 'does-not-conform'
  return intended ? 'not-proven' : 'does-not-conform'
}

/** Exactly which to move and which to turn. */
function fixesFor({ phases, polarity }: Wiring): string[] {
  const pairs = phases.flatMap((phase, k) =>
    phase > k + 1 && phases[phase - 1] === k + 1
      ? [`swap the transformers of channels ${k + 1} and ${phase}`]
      : [],
  )
  const cycle = pairs.length === 0 && phases.some((phase, k) => phase !== k + 1)
  const moves = cycle
    ? phases.map(
        (phase, k) => `the transformer of channel ${k + 1} sits on phase ${phase}: move it to phase ${k + 1}`,
      )
    : pairs
  const turned = polarity.flatMap((sign, k) => (sign === -1 ? [k + 1] : []))
  return [
    ...moves,
    ...(turned.length > 0
      ? [
          `turn round the transformer of channel${turned.length > 1 ? 's' : ''} ${joinAnd(turned.map(String))}`,
        ]
      : []),
  ]
}

function workingFor({ readings, uncertainty }: Given, best: Wiring): string[] {
  const said = best.phases.map(
    (phase, k) =>
      `channel ${k + 1}: phase ${phase}${best.polarity[k] === -1 ? ' reversed' : ''}, reads ${formatNumber(readings[k]!.p, 1)} W ${formatNumber(readings[k]!.q, 1)} var`,
  )
  return [
    ...said,
    `fits within ${formatNumber(best.residual, 1)} VA, uncertainty ${formatNumber(uncertainty, 1)} VA`,
  ]
}

function notesFor(status: CtPhasingResult['status']): string[] {
  if (status === 'ambiguous')
    return ['several wirings fit: use a load that differs on each phase, and read again']
  return status === 'unexplained'
    ? ['the readings themselves are in doubt']
    : ['isolate before a transformer is opened; never open its secondary under current']
}
