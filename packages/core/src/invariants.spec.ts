import fc from 'fast-check'
import { IEC_SIZES } from './ac/conductor-tables.js'
import {
  acBranch,
  conductor,
  ctPhasing,
  insulation,
  limitResponse,
  powerBalance,
  protectiveEarth,
  safeVoltage,
  sequence,
  serialMap,
  settings,
  stringColdLimit,
  stringVoltage,
} from './index.js'

const amps = fc.double({ min: 1, max: 100, noNaN: true })
const iec = fc.record({
  school: fc.constant('iec' as const),
  phases: fc.constantFrom<1 | 3 | 'dc'>(1, 3, 'dc'),
  voltage: fc.constantFrom(230, 400),
  sources: fc.array(fc.record({ name: fc.constant('s'), amps }), { minLength: 1, maxLength: 4 }),
  size: fc.constantFrom(...IEC_SIZES),
  length: fc.double({ min: 0, max: 100, noNaN: true }),
  material: fc.constant('copper' as const),
  insulation: fc.constantFrom('pvc', 'xlpe' as const),
  method: fc.constantFrom('A1', 'B1', 'B2', 'C' as const),
  ambient: fc.integer({ min: -10, max: 60 }),
  groupedCircuits: fc.integer({ min: 1, max: 20 }),
  maxDropPercent: fc.constant(3),
  protectiveDevice: fc.constantFrom(16, 32, 63, 100),
})

it('adding a source never lowers the design current, and never turns a failed cable into a good one', () => {
  fc.assert(
    fc.property(iec, amps, (given, more) => {
      const before = conductor(given)
      const after = conductor({ ...given, sources: [...given.sources, { name: 'more', amps: more }] })
      expect(after.designCurrent).toBeGreaterThanOrEqual(before.designCurrent)
      if (after.verdict === 'conforms') expect(before.verdict).toBe('conforms')
    }),
  )
})

it('a larger conductor never turns a pass into a fail, except at the terminal’s window', () => {
  fc.assert(
    fc.property(iec, (given) => {
      const next = IEC_SIZES[IEC_SIZES.indexOf(given.size) + 1]
      if (next === undefined || conductor(given).verdict !== 'conforms') return
      expect(conductor({ ...given, size: next }).verdict).toBe('conforms')
      expect(conductor({ ...given, size: next, terminal: { max: given.size } }).checks.at(-1)).toEqual({
        id: 'terminal',
        verdict: 'does-not-conform',
      })
    }),
  )
})

it('transformers on any phases and any way round are recovered when the loads are distinct', () => {
  const loads = fc.tuple(
    fc.integer({ min: 500, max: 900 }),
    fc.integer({ min: 1500, max: 2200 }),
    fc.integer({ min: 3200, max: 4200 }),
  )
  fc.assert(
    fc.property(
      loads,
      fc.shuffledSubarray([0, 1, 2], { minLength: 3 }),
      fc.tuple(...[1, 2, 3].map(() => fc.constantFrom(1, -1))),
      (watts, phases, signs) => {
        const angles = [0, -120, 120]
        const truth = watts.map((p) => ({ p, q: 0 }))
        const readings = phases.map((j, k) => {
          const turn = ((angles[k]! - angles[j]!) * Math.PI) / 180
          return { p: signs[k]! * watts[j]! * Math.cos(turn), q: signs[k]! * watts[j]! * Math.sin(turn) }
        })
        const { status, best } = ctPhasing({
          voltages: angles.map((angle) => ({ magnitude: 230, angle })),
          truth,
          readings,
          uncertainty: 20,
        })
        expect({ status, phases: best.phases, polarity: best.polarity }).toEqual({
          status: 'identified',
          phases: phases.map((j) => j + 1),
          polarity: [...signs],
        })
      },
    ),
  )
})

it('the probabilities of a string’s stories add up to one, however far off the reading', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -2000, max: 2000, noNaN: true }),
      fc.integer({ min: 1, max: 40 }),
      fc.integer({ min: 1, max: 1200 }),
      fc.integer({ min: -20, max: 80 }),
      (voc, count, irradiance, cellTemperature) => {
        const { hypotheses } = stringVoltage({
          module: { voc: 38.6, vocTempCoeff: -0.26, cellsInSeries: 54, bypassDiodes: 3 },
          count,
          measured: { voc, uncertainty: 2 },
          conditions: { cellTemperature, irradiance },
        })
        expect(hypotheses.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9)
        for (const { z, probability } of hypotheses)
          expect(Number.isFinite(z) && probability >= 0 && probability <= 1).toBe(true)
      },
    ),
  )
})

it('a colder morning never allows more modules', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -40, max: 30 }),
      fc.integer({ min: 0, max: 20 }),
      fc.constantFrom('coefficient', 'table' as const),
      (minTemperature, colder, method) => {
        const allowed = (temperature: number) =>
          stringColdLimit({
            module: { voc: 41.2, vocTempCoeff: -0.27 },
            count: 10,
            minTemperature: temperature,
            inverterMax: 1000,
            method,
          }).allowedCount
        if (minTemperature - colder >= -40)
          expect(allowed(minTemperature - colder)).toBeLessThanOrEqual(allowed(minTemperature))
      },
    ),
  )
})

it('a higher insulation reading is never judged worse', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 10, max: 1500, noNaN: true }),
      fc.double({ min: 0, max: 5, noNaN: true }),
      fc.double({ min: 0, max: 100, noNaN: true }),
      (systemVoltage, value, more) => {
        const conforms = (reading: number) =>
          insulation({ systemVoltage, testVoltage: 1500, measured: { value: reading } }).verdict ===
          'conforms'
        if (conforms(value)) expect(conforms(value + more)).toBe(true)
      },
    ),
  )
})

it('a thicker protective conductor never fails where a thinner one passed', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(1.5, 6, 16, 25, 50, 95),
      fc.constantFrom(1.5, 4, 10, 16, 35, 50),
      fc.double({ min: 0, max: 100, noNaN: true }),
      (lineSize, fitted, more) => {
        const verdict = (size: number) => protectiveEarth({ method: 'table', lineSize, fitted: size }).verdict
        if (verdict(fitted) === 'conforms') expect(verdict(fitted + more)).toBe('conforms')
      },
    ),
  )
})

it('a branch with one unit fewer rises less', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 16 }),
      fc.array(fc.record({ length: fc.integer({ min: 1, max: 40 }), size: fc.constantFrom(2.5, 4, 6) }), {
        minLength: 16,
        maxLength: 16,
      }),
      (units, segments) => {
        const rise = (n: number) =>
          acBranch({
            phases: 1,
            voltage: 230,
            unitCurrent: 1.45,
            units: n,
            breaker: 20,
            segments: segments.slice(0, n),
          }).riseVolts!
        expect(rise(units - 1)).toBeLessThan(rise(units))
      },
    ),
  )
})

it('turning every sign of a machine turns the answer with it', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          grid: fc.integer({ min: -5000, max: 5000 }),
          solar: fc.integer({ min: 0, max: 8000 }),
          battery: fc.integer({ min: -3000, max: 3000 }),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      (samples) => {
        const run = (turned: boolean) =>
          powerBalance({
            samples: samples.map((one) => ({ ...one, grid: turned ? -one.grid : one.grid })),
            loadRange: { min: 0, max: 6000 },
            uncertainty: 30,
          }).consistent
        expect(
          run(true)
            .map(({ grid, solar, battery }) => `${-grid}${solar}${battery}`)
            .sort(),
        ).toEqual(
          run(false)
            .map(({ grid, solar, battery }) => `${grid}${solar}${battery}`)
            .sort(),
        )
      },
    ),
  )
})

it('one more silent unit on a safe-voltage string is one more missing', () => {
  for (let seen = 1; seen <= 12; seen++)
    expect(
      safeVoltage({ perUnit: 1, perUnitTolerance: 0.1, count: 12, measured: { value: seen } }),
    ).toMatchObject({ unitsSeen: seen, unitsMissing: 12 - seen })
})

it('steps recorded in an order that respects every `after`, one by one, have no fault', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12 }), fc.infiniteStream(fc.nat()), (n, stream) => {
      const chance = [...stream.take(n * n)]
      const steps = Array.from({ length: n }, (_, i) => ({
        id: `s${i}`,
        after: Array.from({ length: i }, (__, j) => `s${j}`).filter((___, j) => chance[i * n + j]! % 3 === 0),
        waitSeconds: 60,
      }))
      const recorded = steps.map(({ id }, i) => ({ id, at: new Date(i * 60_000).toISOString() }))
      expect(sequence({ steps, recorded }).violations).toEqual([])
      const reversed = recorded.map(({ id }, i) => ({ id, at: new Date(-i * 60_000).toISOString() }))
      expect(sequence({ steps, recorded: reversed }).violations.length).toBe(
        steps.reduce((sum, { after }) => sum + after.length, 0),
      )
    }),
  )
})

it('a serial with one slip is found again where it belongs', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.stringMatching(/^[A-Z]{2}[0-9]{8}$/), { minLength: 2, maxLength: 8 }),
      fc.nat(),
      fc.constantFrom('Q', 'X'),
      (serials, at, letter) => {
        const slipped = serials.map((serial, i) =>
          i === at % serials.length ? serial.slice(0, 4) + letter + serial.slice(5) : serial,
        )
        const result = serialMap({
          planned: serials.map((serial, i) => ({ position: `P${i}`, serial })),
          reported: slipped,
        })
        expect(result).toMatchObject({
          matched: serials.length - 1,
          likelyTypos: [{ position: `P${at % serials.length}` }],
        })
      },
    ),
  )
})

it('a trace that settles is worked out as its plain definition says', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 4000, max: 6000 }), { minLength: 2, maxLength: 30 }), (powers) => {
      const samples = powers.map((power, t) => ({ t, power }))
      const { settledAt, secondsOver } = limitResponse({
        samples,
        limit: 5000,
        tolerance: 100,
        eventAt: 0,
        settleWithin: 10,
      })
      const over = samples.map(({ power }) => power > 5100)
      expect(settledAt).toBe(over.at(-1) ? null : over.lastIndexOf(true) + 1)
      expect(secondsOver).toBe(over.slice(0, -1).filter(Boolean).length)
    }),
  )
})

it('settings do not mind blanks and case, and a missing one is not inspected', () => {
  expect(
    settings({
      expected: { mode: { equals: 'Self Use' }, floor: { min: 10, max: 30 } },
      recorded: { mode: ' self use ', floor: ' ' },
    }).items,
  ).toEqual([
    { key: 'mode', verdict: 'conforms' },
    { key: 'floor', verdict: 'not-inspected' },
  ])
})
