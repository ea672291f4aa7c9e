import { stream } from './walls.mjs'

/** Checks of many kinds, as a large job has them. */
export function mixedChecks(n) {
  const next = stream()
  const kinds = [
    () => ({ name: 'decision', input: { value: 2.2 + next(), uncertainty: 0.1, min: 2.2, max: 2.8 } }),
    () => ({ name: 'decision', input: { value: 225 + 20 * next(), uncertainty: 1.2, min: 207, max: 253 } }),
    () => ({
      name: 'string-voltage',
      input: {
        module: { voc: 38.6, vocTempCoeff: -0.26, cellsInSeries: 54, bypassDiodes: 3 },
        count: 12,
        measured: { voc: 440 + 10 * next(), uncertainty: 2.4 },
        conditions: { cellTemperature: 31, irradiance: 640 },
      },
    }),
    () => ({
      name: 'string-cold-limit',
      input: {
        module: { voc: 38.6, vocTempCoeff: -0.26 },
        count: 12,
        minTemperature: -10,
        inverterMax: 1000,
        method: 'coefficient',
      },
    }),
    () => ({
      name: 'insulation',
      input: { systemVoltage: 463, testVoltage: 1000, measured: { value: 40 + 900 * next() } },
    }),
    () => ({
      name: 'conductor',
      input: {
        school: 'iec',
        phases: 3,
        voltage: 400,
        sources: [
          { name: 'grid', amps: 32 },
          { name: 'inverter', amps: 12 },
        ],
        protectiveDevice: 32,
        size: 10,
        length: 20 * next(),
        material: 'copper',
        insulation: 'pvc',
        method: 'C',
        ambient: 30,
        groupedCircuits: 1,
        maxDropPercent: 3,
      },
    }),
    () => ({
      name: 'protective-earth',
      input: {
        method: 'table',
        lineSize: 16,
        fitted: 16,
        continuity: { measured: 0.04 + 0.02 * next(), length: 12 },
      },
    }),
    () => ({
      name: 'fixings',
      input: {
        mass: 31,
        centreOfGravity: 110,
        fixings: { count: 6, topRow: 3, leverArm: 500 },
        capacity: { tension: 1.2, shear: 1.5 + next() },
      },
    }),
    () => ({
      name: 'safe-voltage',
      input: {
        perUnit: 1,
        perUnitTolerance: 0.1,
        count: 12,
        measured: { value: 11.5 + next(), uncertainty: 0.1 },
      },
    }),
    () => ({
      name: 'reserve',
      input: { capacityKwh: 13, reservePercent: 20, loadKw: 1 + next(), inverterKw: 8 },
    }),
  ]
  return Array.from({ length: n }, (_, i) => kinds[i % kinds.length]())
}
