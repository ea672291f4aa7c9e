import fc from 'fast-check'
import { ctPhasing, phaseCurrents } from './ct-phasing.js'

const deg = Math.PI / 180
/** S = V · conj(I), written out as one would by hand. */
const powerOf = (v: { magnitude: number; angle: number }, i: { magnitude: number; angle: number }) => ({
  p: v.magnitude * i.magnitude * Math.cos((v.angle - i.angle) * deg),
  q: v.magnitude * i.magnitude * Math.sin((v.angle - i.angle) * deg),
})
const VOLTAGES = [0, -120, 120].map((angle) => ({ magnitude: 230, angle }))

it('a load of 2300 W on 230 V draws 10 A in phase; one that is only inductive lags by a quarter', () => {
  const { flowing } = phaseCurrents(
    {
      voltages: VOLTAGES,
      truth: [
        { p: 2300, q: 0 },
        { p: 0, q: 2300 },
        { p: -2300, q: 0 },
      ],
    },
    { phases: [1, 2, 3], polarity: [1, 1, 1] },
  )
  expect(flowing.map(({ magnitude }) => magnitude)).toEqual([10, 10, 10])
  expect(flowing.map(({ angle }, k) => Math.round(angle - VOLTAGES[k]!.angle))).toEqual([0, -90, -180])
})

it('what the channels see, multiplied with their voltages, is what the proof finds best again', () => {
  const watt = fc.integer({ min: 300, max: 4000 })
  const wiring = fc.tuple(
    fc.constantFrom<number[]>([1, 2, 3], [2, 1, 3], [2, 3, 1], [3, 2, 1]),
    fc.tuple(...[0, 1, 2].map(() => fc.constantFrom<1 | -1>(1, -1))),
  )
  fc.assert(
    fc.property(fc.tuple(watt, watt, watt), wiring, (watts, [phases, polarity]) => {
      // Loads that differ clearly from phase to phase leave one story only.
      const truth = watts.map((p, k) => ({ p: p + 4500 * k, q: 50 * k }))
      const { seen } = phaseCurrents({ voltages: VOLTAGES, truth }, { phases, polarity })
      const readings = VOLTAGES.map((voltage, k) => powerOf(voltage, seen[k]!))
      const { best, status } = ctPhasing({ voltages: VOLTAGES, truth, readings, uncertainty: 1 })
      expect({ status, phases: best.phases, polarity: best.polarity }).toEqual({
        status: 'identified',
        phases,
        polarity: [...polarity],
      })
    }),
    { seed: 5, numRuns: 120 },
  )
})
