import {
  CALCULATORS,
  clearance,
  clearanceRework,
  ctPhasing,
  limitResponse,
  parseQuantity,
} from '../packages/core/dist/index.js'
import { measured, ms, perSecond, table } from './reference.mjs'
import { peerThroughput } from './peer.mjs'
import { photoRows } from './photo.mjs'
import { stream, wallOf, wrongWall } from './walls.mjs'
import { mixedChecks } from './mixed-checks.mjs'

/** The calculators alone. */
export async function run() {
  const checks = mixedChecks(600)
  const judge = () => checks.forEach(({ name, input }) => CALCULATORS[name].compute(input))
  const judging = measured(judge, 51)
  const walls = [10, 100, 1000].map((n) => ({
    n,
    took: measured(() => clearance(wallOf(n)), n < 1000 ? 51 : 15),
  }))
  const readings = phasings(2000)
  const trace = longTrace(1_000_000)
  const typed = Array.from({ length: 100_000 }, (_, i) => TYPED[i % TYPED.length])
  table([
    ['judgements, 600 checks of mixed kinds', perSecond(600, judging), ''],
    ...walls.map(({ n, took }) => [
      `clearance, ${n} items`,
      ms(took),
      n === 10
        ? ''
        : `n log n; here ${(took / walls[walls.findIndex((wall) => wall.n === n) - 1].took).toFixed(1)} times the one before`,
    ]),
    [
      'single-move rework, 12 units and 20 obstructions',
      ms(measured(() => clearanceRework(wrongWall(12, 20, 1)), 15)),
      'under 50 ms',
    ],
    ['two-move rework, the same', ms(measured(() => clearanceRework(wrongWall(12, 20, 2)), 7)), 'under 1 s'],
    [
      'ct-phasing, three phases',
      perSecond(
        2000,
        measured(() => readings.forEach((input) => ctPhasing(input)), 15),
      ),
      '10 000 /s',
    ],
    ...photoRows(),
    ['limit-response, 1 000 000 samples', ms(measured(() => limitResponse(trace), 7)), 'under 50 ms'],
    [
      'parser',
      perSecond(
        100_000,
        measured(() => typed.forEach(([text, dimension]) => parseQuantity(text, dimension)), 15),
      ),
      '1 000 000 /s',
    ],
  ])
  const peer = await peerThroughput()
  const ours = measured(() => peer.ours(), 301)
  const theirs = peer.measure()
  table([
    ['600 checks, full recalculation, here', ms(ours), ''],
    [
      'the same as formulas in a spreadsheet engine',
      ms(theirs),
      `at least 20 times slower; here ${(theirs / ours).toFixed(1)} times`,
    ],
  ])
}

const TYPED = [
  ['4 1/4 in', 'length'],
  ['1.85 m', 'length'],
  ['2.4 N·m', 'torque'],
  ['85 in·lb', 'torque'],
  ['> 999 MΩ', 'insulation'],
  ['0.35 Ω', 'resistance'],
  ['447.2', 'voltage'],
  ['10 AWG', 'conductor-size'],
  ['25 mm²', 'conductor-size'],
  ['31 °C', 'temperature'],
]

function phasings(n) {
  const next = stream()
  const voltages = [0, -120, 120].map((angle) => ({ magnitude: 230, angle }))
  return Array.from({ length: n }, () => {
    const truth = [1, 2, 3].map((k) => ({ p: 800 * k + 300 * next(), q: 100 * next() }))
    return {
      voltages,
      truth,
      readings: truth.map(({ p, q }) => ({ p: next() > 0.3 ? p : -p, q })),
      uncertainty: 40,
    }
  })
}

function longTrace(n) {
  const samples = Array.from({ length: n }, (_, i) => ({
    t: i / 10,
    power: i < n / 2 ? 8000 + (i % 50) : 4900 + (i % 90),
  }))
  return { samples, limit: 5000, tolerance: 100, eventAt: 1, settleWithin: 60_000 }
}
