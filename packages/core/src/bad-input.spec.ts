import { BadInput, CALCULATORS, compute, type CalculatorName } from './index.js'

const unit = (more: object = {}) => ({
  id: 'u',
  kind: 'unit',
  x: 300,
  y: 900,
  w: 400,
  h: 500,
  clear: { left: 100, right: 100, top: 100, bottom: 100 },
  ...more,
})
const MODULE = { voc: 40, vocTempCoeff: -0.3, cellsInSeries: 60, bypassDiodes: 3 }

/** A good input for every calculator, from which each fault below departs in one place only. */
const GOOD = {
  decision: { value: 5, min: 1, max: 9 },
  clearance: { wall: { width: 3000, height: 2500 }, items: [unit()] },
  'clearance-rework': { wall: { width: 3000, height: 2500 }, items: [unit()] },
  fixings: {
    mass: 30,
    centreOfGravity: 100,
    fixings: { count: 4, topRow: 2, leverArm: 500 },
    capacity: { tension: 1, shear: 1 },
  },
  'string-voltage': {
    module: MODULE,
    count: 10,
    measured: { voc: 400 },
    conditions: { cellTemperature: 25, irradiance: 1000 },
  },
  'string-cold-limit': {
    module: { voc: 40, vocTempCoeff: -0.3 },
    count: 10,
    minTemperature: -10,
    inverterMax: 600,
    method: 'coefficient',
  },
  'safe-voltage': { perUnit: 1, perUnitTolerance: 0.1, count: 10, measured: { value: 10 } },
  insulation: { systemVoltage: 400, testVoltage: 500, measured: { value: 50 } },
  'protective-earth': { method: 'table', lineSize: 16, fitted: 16 },
  conductor: {
    school: 'iec',
    phases: 1,
    voltage: 230,
    sources: [{ name: 'inverter', amps: 16 }],
    protectiveDevice: 20,
    size: 4,
    length: 10,
    material: 'copper',
    insulation: 'pvc',
    method: 'C',
    ambient: 30,
    groupedCircuits: 1,
  },
  'ac-branch': { phases: 1, voltage: 230, unitCurrent: 1.5, units: 2, breaker: 20 },
  'ct-phasing': {
    voltages: [{ magnitude: 230, angle: 0 }],
    truth: [{ p: 1000, q: 0 }],
    readings: [{ p: 1000, q: 0 }],
    uncertainty: 20,
  },
  'power-balance': {
    samples: [{ grid: 0, solar: 1000, battery: 0 }],
    loadRange: { min: 0, max: 2000 },
    uncertainty: 10,
  },
  sequence: {
    steps: [{ id: 'a' }, { id: 'b', after: ['a'] }],
    recorded: [{ id: 'a', at: '2026-01-01T10:00:00Z' }],
  },
  'serial-map': { planned: [{ position: 'A1', serial: 'S1' }], reported: ['S1'] },
  settings: { expected: { a: { equals: 1 } }, recorded: { a: 1 } },
  'limit-response': {
    samples: [
      { t: 0, power: 1 },
      { t: 1, power: 1 },
    ],
    limit: 5,
    tolerance: 0,
    eventAt: 0,
    settleWithin: 1,
  },
  reserve: { capacityKwh: 10, reservePercent: 20, loadKw: 1, inverterKw: 5 },
  'photo-measure': {
    points: [
      { px: 500, py: 2500, x: 0, y: 0 },
      { px: 3500, py: 2500, x: 1500, y: 0 },
      { px: 3500, py: 500, x: 1500, y: 1000 },
      { px: 500, py: 500, x: 0, y: 1000 },
    ],
    measure: [{ id: 'gap', from: { px: 1000, py: 2000 }, to: { px: 1600, py: 1200 } }],
  },
  'expected-power': {
    module: { pmax: 400, pmaxTempCoeff: -0.3 },
    count: 10,
    conditions: { cellTemperature: 25, irradiance: 1000 },
    measured: { power: 3700 },
  },
  'roll-call': { fitted: 12, ever: 12, lately: 12 },
  'rail-marks': { moduleWidth: 1100, gap: 20, count: 3 },
  'split-strings': {
    planes: [{ id: 'p', modules: 10 }],
    modulePower: 400,
    maxPower: 5000,
    minCount: 2,
    maxCount: 12,
  },
  'like-strings': { strings: [{ id: 'A', voc: 400, count: 10 }] },
  'driver-torque': {
    required: { min: 2, max: 3 },
    driver: { tolerancePercent: 4, range: { min: 1, max: 5 } },
  },
  'lift-plan': { items: [{ name: 'it', mass: 20 }] },
} satisfies Record<CalculatorName, object>

it.each(Object.entries(GOOD))(
  'the good input of %s is worked out, with words and without a figure that is none',
  (name, input) => {
    const result = compute(name, input) as { working: string[]; notes: string[] }
    expect(result.working.length).toBeGreaterThan(0)
    expect(result.notes).toBeInstanceOf(Array)
    expect(JSON.stringify(result)).not.toMatch(/null,"margin|NaN|Infinity/)
    for (const line of [...result.working, ...result.notes])
      expect(String(line)).not.toMatch(/NaN|Infinity|undefined/)
  },
)

/** Sets one field of a copy; `undefined` takes it out. */
function spoilt(name: CalculatorName, path: string, value: unknown): unknown {
  const copy = structuredClone(GOOD[name]) as Record<string, unknown>
  const keys = path.split(/[.[\]]+/).filter(Boolean)
  const holder = keys
    .slice(0, -1)
    .reduce<Record<string, unknown>>((at, key) => (at[key] ??= {}) as Record<string, unknown>, copy)
  holder[keys.at(-1)!] = value
  return copy
}

it.each<[CalculatorName, string, unknown, string, string?]>([
  ['decision', 'value', undefined, 'missing'],
  ['decision', 'value', '5', 'wrong-type'],
  ['decision', 'value', Infinity, 'not-finite'],
  ['decision', 'uncertainty', -1, 'negative'],
  ['decision', 'rule', 'kind', 'not-listed'],
  ['decision', 'relation', '>=', 'not-listed'],
  ['decision', 'min', 10, 'min-above-max', 'min'],
  ['clearance', 'items', [], 'empty'],
  ['clearance', 'items', undefined, 'missing'],
  ['clearance', 'items[0].w', 0, 'not-positive'],
  ['clearance', 'items[0].clear.left', -5, 'negative'],
  ['clearance', 'items[0].clear.top', undefined, 'missing'],
  ['clearance', 'items[0].kind', 'shelf', 'not-listed'],
  ['clearance', 'items[0].id', 'floor', 'duplicate-id'],
  ['clearance', 'items[0].neighbour', { rule: 'stated' }, 'missing', 'items[0].neighbour.distance'],
  ['clearance', 'items[0].base', {}, 'no-content'],
  ['clearance', 'items[0].base', { min: 9, max: 1 }, 'min-above-max', 'items[0].base.min'],
  ['clearance', 'items[0].keepOut', [{ from: 'window' }], 'missing', 'items[0].keepOut[0].distance'],
  ['clearance', 'wall', { rightCorner: true }, 'missing', 'wall.width'],
  ['clearance', 'uncertainty', -1, 'negative'],
  ['clearance-rework', 'fixed', ['nobody'], 'unknown-id', 'fixed[0]'],
  ['clearance-rework', 'fixed', 'u', 'wrong-type'],
  ['fixings', 'fixings.topRow', 5, 'out-of-range'],
  ['fixings', 'fixings.count', 2.5, 'not-a-count'],
  ['fixings', 'fixings.leverArm', 0, 'not-positive'],
  ['fixings', 'capacity.shear', 0, 'not-positive'],
  ['fixings', 'safetyFactor', 0, 'not-positive'],
  ['string-voltage', 'conditions.irradiance', 0, 'not-positive'],
  ['string-voltage', 'module.vocTempCoeff', 0.3, 'out-of-range'],
  ['string-voltage', 'module.vocTempCoeff', -1, 'out-of-range'],
  ['string-voltage', 'count', 0, 'not-a-count'],
  ['string-voltage', 'measured.uncertainty', -1, 'negative'],
  ['string-cold-limit', 'module.vocTempCoeff', undefined, 'missing'],
  ['string-cold-limit', 'method', 'guess', 'not-listed'],
  ['safe-voltage', 'perUnit', 0, 'not-positive'],
  ['safe-voltage', 'count', '10', 'wrong-type'],
  ['insulation', 'systemVoltage', 0, 'not-positive'],
  ['insulation', 'measured.value', -1, 'negative'],
  ['protective-earth', 'lineSize', undefined, 'missing'],
  ['protective-earth', 'lineSize', 400, 'out-of-range'],
  ['protective-earth', 'method', 'adiabatic', 'missing', 'faultCurrent'],
  ['conductor', 'school', 'old', 'not-listed'],
  ['conductor', 'sources', [], 'empty'],
  ['conductor', 'size', 5, 'not-listed'],
  ['conductor', 'ambient', 61, 'out-of-range'],
  ['conductor', 'groupedCircuits', 21, 'out-of-range'],
  ['conductor', 'powerFactor', 1.1, 'out-of-range'],
  ['conductor', 'terminal', {}, 'no-content'],
  ['conductor', 'maxDropPercent', 101, 'out-of-range'],
  ['ac-branch', 'phases', 2, 'not-listed'],
  ['ac-branch', 'unitCurrent', 0, 'not-positive'],
  ['ac-branch', 'segments', [{ length: 1, size: 2.5 }], 'wrong-length'],
  [
    'ac-branch',
    'segments',
    [
      { length: 1, size: 0 },
      { length: 1, size: 2.5 },
    ],
    'not-positive',
    'segments[0].size',
  ],
  ['ct-phasing', 'voltages[0].magnitude', 0, 'not-positive'],
  ['ct-phasing', 'readings', [], 'empty'],
  [
    'ct-phasing',
    'truth',
    [
      { p: 1, q: 0 },
      { p: 1, q: 0 },
    ],
    'wrong-length',
  ],
  ['power-balance', 'samples', [], 'empty'],
  ['power-balance', 'loadRange', { min: 5, max: 1 }, 'min-above-max', 'loadRange.min'],
  ['sequence', 'recorded[0].at', 'noon', 'not-a-time'],
  ['sequence', 'recorded[0].at', '2026-02-30T10:00:00Z', 'not-a-time'],
  ['sequence', 'steps[1].after', ['z'], 'unknown-id', 'steps[1].after[0]'],
  ['sequence', 'steps[0]', { id: 'a', after: ['b'] }, 'cycle', 'steps'],
  ['sequence', 'steps[1].id', 'a', 'duplicate-id'],
  ['serial-map', 'planned', [], 'empty'],
  ['serial-map', 'planned[0].serial', '', 'missing'],
  ['settings', 'expected.a', {}, 'no-content'],
  ['settings', 'expected.a', { min: 5, max: 1 }, 'min-above-max', 'expected.a.min'],
  ['limit-response', 'samples[1].t', 0, 'not-ascending'],
  ['limit-response', 'samples[1].power', 'high', 'wrong-type'],
  ['limit-response', 'eventAt', 2, 'out-of-range'],
  ['limit-response', 'eventAt', -1, 'out-of-range'],
  ['limit-response', 'tolerance', -1, 'negative'],
  ['reserve', 'loadKw', 0, 'not-positive'],
  ['reserve', 'reservePercent', 120, 'out-of-range'],
  ['reserve', 'efficiency', 0, 'out-of-range'],
  ['split-strings', 'minCount', 13, 'min-above-max'],
  ['split-strings', 'maxPower', 100, 'out-of-range'],
  [
    'like-strings',
    'strings',
    [
      { id: 'A', voc: 1, count: 1 },
      { id: 'A', voc: 1, count: 1 },
    ],
    'duplicate-id',
    'strings[1].id',
  ],
  ['photo-measure', 'points', [], 'too-few'],
  ['photo-measure', 'points[3]', { px: 500, py: 2500, x: 0, y: 0 }, 'degenerate', 'points'],
  ['photo-measure', 'points[1].x', -1500, 'mispaired', 'points'],
  ['photo-measure', 'measure[0].to', { px: 1000, py: 2000 }, 'no-length', 'measure[0]'],
  ['photo-measure', 'pointUncertainty', -1, 'negative'],
  ['expected-power', 'conditions.irradiance', 0, 'not-positive', 'conditions'],
  ['expected-power', 'module.pmaxTempCoeff', 0.3, 'out-of-range'],
  ['roll-call', 'lately', 13, 'out-of-range'],
  ['roll-call', 'ever', 1.5, 'not-a-count'],
  ['driver-torque', 'required', { min: 4, max: 3 }, 'min-above-max', 'required.min'],
])('%s with %s = %j is refused: %s', (name, path, value, code, at = path) => {
  expect.assertions(2)
  try {
    compute(name, spoilt(name, path, value))
  } catch (problem) {
    expect(problem).toBeInstanceOf(BadInput)
    expect(problem).toMatchObject({ code, path: at })
  }
})

it.each(Object.entries(GOOD))(
  'an explicit null in %s counts as absent, and a field that nobody knows is ignored',
  (name, input) => {
    const facts = (result: object) =>
      JSON.stringify(result, (key, value: unknown) =>
        key === 'working' || key === 'notes' ? undefined : value,
      )
    const optional = { uncertainty: null, rule: null, note: null, somethingElse: 7 }
    expect(facts(compute(name, { ...optional, ...input }))).toBe(facts(compute(name, input)))
  },
)

it('every calculator describes its input', () => {
  for (const { answers, input } of Object.values(CALCULATORS)) {
    expect(answers).toMatch(/\?$/)
    expect('properties' in input || 'oneOf' in input).toBe(true)
  }
})
