import type { CalculatorName } from '@plumb-mark/core'

export interface CatalogueEntry {
  title: string
  /** Filled in at first, so that one sees what it is about; every figure with a unit, as it would be typed. */
  example: Record<string, unknown>
}

const MODULE = { voc: '38.6 V', vocTempCoeff: '-0.26', cellsInSeries: '54', bypassDiodes: '3' }
const unit = (id: string, x: string) => ({
  kind: 'unit',
  id,
  x,
  y: '1.15 m',
  w: '520 mm',
  h: '680 mm',
  clear: { left: '200 mm', right: '200 mm', top: '400 mm', bottom: '500 mm' },
  neighbour: { rule: 'sum' },
})
const WALL = {
  wall: { width: '4.2 m', height: '2.6 m', leftCorner: true },
  uncertainty: '2 mm',
  items: [
    unit('inverter 1', '420 mm'),
    unit('inverter 2', '50 3/4 in'),
    { kind: 'obstruction', id: 'riser', class: 'pipe', x: '2.1 m', y: '0', w: '70 mm', h: '2.6 m' },
  ],
}
const THREE_PHASES = ['0', '-120', '120'].map((angle) => ({ magnitude: '230 V', angle: `${angle}°` }))

export const CATALOGUE = {
  decision: {
    title: 'A value and its limits',
    example: { value: '2.7', uncertainty: '0.16', min: '2.2', max: '2.8', rule: 'guarded' },
  },
  clearance: { title: 'Free space on a wall', example: WALL },
  'clearance-rework': { title: 'Least rework of a wall', example: { ...WALL, fixed: [] } },
  fixings: {
    title: 'Fixings of a hung unit',
    example: {
      mass: '31 kg',
      centreOfGravity: '110 mm',
      fixings: { count: '6', topRow: '3', leverArm: '520 mm' },
      capacity: { tension: '1.2 kN', shear: '1.5 kN' },
      derate: '0.7',
    },
  },
  'photo-measure': {
    title: 'Distances off a photo',
    example: {
      points: [
        { px: '1253', py: '2068', x: '200 mm', y: '900 mm' },
        { px: '2616', py: '1953', x: '1400 mm', y: '900 mm' },
        { px: '2584', py: '1054', x: '1400 mm', y: '1700 mm' },
        { px: '1238', py: '942', x: '200 mm', y: '1700 mm' },
      ],
      measure: [
        { id: 'gap between the units', from: { px: '1671', py: '1565' }, to: { px: '1969', py: '1562' } },
      ],
    },
  },
  'lift-plan': {
    title: 'Lifts',
    example: {
      items: [
        { name: 'inverter', mass: '31 kg' },
        { name: 'battery', mass: '115 lb', overhead: false },
      ],
    },
  },
  'rail-marks': {
    title: 'Marks along a rail',
    example: { moduleWidth: '1134 mm', gap: '20 mm', count: '8', firstOffset: '2 in', units: 'metric' },
  },
  'split-strings': {
    title: 'Splitting an array',
    example: {
      planes: [
        { id: 'south', modules: '22' },
        { id: 'west', modules: '9' },
      ],
      modulePower: '430 W',
      maxPower: '6 kW',
      minCount: '6',
      maxCount: '14',
    },
  },
  'serial-map': {
    title: 'Serials against the plan',
    example: {
      planned: [
        { position: 'A1', serial: 'SL10427' },
        { position: 'A2', serial: 'SL35580' },
        { position: 'A3', serial: 'SL77913' },
      ],
      reported: ['SL10427', 'SL35850'],
    },
  },
  'safe-voltage': {
    title: 'Safe voltage of a string',
    example: {
      perUnit: '1 V',
      perUnitTolerance: '0.1 V',
      count: '12',
      measured: { value: '11.1 V', uncertainty: '0.1 V' },
    },
  },
  'string-voltage': {
    title: 'What a string reads',
    example: {
      module: MODULE,
      count: '12',
      measured: { voc: '406.6 V', uncertainty: '2.2 V' },
      conditions: { cellTemperature: '31 °C', irradiance: '640 W/m²' },
    },
  },
  'string-cold-limit': {
    title: 'The coldest morning',
    example: {
      module: { voc: '38.6 V', vocTempCoeff: '-0.26' },
      count: '22',
      minTemperature: '-12 °C',
      inverterMax: '1000 V',
      method: 'coefficient',
    },
  },
  'like-strings': {
    title: 'Like strings',
    example: {
      strings: [
        { id: 'A', voc: '443.1 V', count: '12' },
        { id: 'B', voc: '444 V', count: '12' },
        { id: 'C', voc: '406.6 V', count: '12' },
        { id: 'D', voc: '443.8 V', count: '12' },
      ],
      tolerancePercent: '2',
    },
  },
  insulation: {
    title: 'Insulation of an array',
    example: { systemVoltage: '463 V', testVoltage: '1000 V', measured: { value: '999 MΩ', relation: '>' } },
  },
  'protective-earth': {
    title: 'Protective conductor',
    example: {
      method: 'table',
      lineSize: '16 mm²',
      fitted: '10 mm²',
      continuity: { measured: '60 mΩ', length: '12 m' },
    },
  },
  conductor: {
    title: 'A conductor and all that feeds it',
    example: {
      school: 'iec',
      phases: '1',
      voltage: '230 V',
      sources: [
        { name: 'grid', amps: '63 A' },
        { name: 'inverter', amps: '32 A' },
      ],
      protectiveDevice: '63 A',
      size: '16',
      length: '9 m',
      material: 'copper',
      insulation: 'pvc',
      method: 'C',
      ambient: '30 °C',
      groupedCircuits: '1',
      maxDropPercent: '3',
      terminal: { min: '6 mm²', max: '25 mm²' },
    },
  },
  'ac-branch': {
    title: 'Small inverters on a branch',
    example: {
      phases: '1',
      voltage: '240 V',
      unitCurrent: '1.45 A',
      units: '4',
      breaker: '20 A',
      segments: [
        { length: '22 m', size: '2.5' },
        { length: '2 m', size: '2.5' },
        { length: '2 m', size: '2.5' },
        { length: '2 m', size: '2.5' },
      ],
      maxRisePercent: '2',
    },
  },
  'driver-torque': {
    title: 'Driver and torque window',
    example: {
      required: { min: '2.2 N·m', max: '2.8 N·m' },
      driver: { tolerancePercent: '6', range: { min: '1 N·m', max: '6 N·m' } },
      set: '22 in·lb',
    },
  },
  'ct-phasing': {
    title: 'Current transformers and phases',
    example: {
      voltages: THREE_PHASES,
      truth: [
        { p: '1 kW', q: '0' },
        { p: '2 kW', q: '0' },
        { p: '3 kW', q: '0' },
      ],
      readings: [
        { p: '-1 kW', q: '1.732 kvar' },
        { p: '-0.5 kW', q: '-0.866 kvar' },
        { p: '-3 kW', q: '0' },
      ],
      uncertainty: '50 VA',
    },
  },
  'power-balance': {
    title: 'One story of power',
    example: {
      samples: [
        { grid: '-3 kW', solar: '5 kW', battery: '-1.5 kW' },
        { grid: '1.2 kW', solar: '0', battery: '0.4 kW' },
      ],
      loadRange: { min: '200 W', max: '2 kW' },
      uncertainty: '50 W',
    },
  },
  sequence: {
    title: 'Steps and their order',
    example: {
      steps: [
        { id: 'isolate', after: [] },
        { id: 'wait', after: ['isolate'], waitSeconds: '5 min' },
        { id: 'open cover', after: ['wait'] },
      ],
      recorded: [
        { id: 'isolate', at: '2026-11-09T10:00:00Z' },
        { id: 'wait', at: '2026-11-09T10:04:00Z' },
        { id: 'open cover', at: '2026-11-09T10:06:00Z' },
      ],
    },
  },
  settings: {
    title: 'Settings',
    example: {
      expected: { 'grid code': { equals: 'North A' }, 'charge floor': { min: '10', max: '30' } },
      recorded: { 'grid code': 'north a', 'charge floor': '35' },
    },
  },
  'limit-response': {
    title: 'A limit and its trace',
    example: {
      samples: [0, 10, 20, 30, 40, 50, 60].map((t, i) => ({
        t: String(t),
        power: ['4000', '8200', '8000', '6300', '5100', '4900', '4950'][i],
      })),
      limit: '5 kW',
      tolerance: '100 W',
      eventAt: '10 s',
      settleWithin: '25 s',
    },
  },
  'expected-power': {
    title: 'Power that the light promises',
    example: {
      module: { pmax: '430 W', pmaxTempCoeff: '-0.34' },
      count: '24',
      conditions: { cellTemperature: '46 °C', irradiance: '720 W/m²' },
      measured: { power: '6.1 kW', uncertainty: '90 W' },
      inverterMax: '10 kW',
    },
  },
  'roll-call': {
    title: 'Devices that report',
    example: { fitted: '24', ever: '24', lately: '23', irradiance: '640 W/m²' },
  },
  reserve: {
    title: 'Backup reserve',
    example: { capacityKwh: '13.2', reservePercent: '25', loadKw: '1.1', inverterKw: '8' },
  },
} satisfies Record<CalculatorName, CatalogueEntry>

/** In the order of the walk. */
export const GROUPS: readonly { title: string; names: readonly CalculatorName[] }[] = [
  { title: 'Readings', names: ['decision', 'driver-torque'] },
  { title: 'Wall', names: ['clearance', 'clearance-rework', 'photo-measure', 'fixings', 'lift-plan'] },
  { title: 'Roof', names: ['rail-marks', 'split-strings', 'serial-map', 'safe-voltage'] },
  { title: 'Earthing', names: ['protective-earth'] },
  { title: 'DC', names: ['string-voltage', 'string-cold-limit', 'like-strings', 'insulation'] },
  { title: 'AC', names: ['conductor', 'ac-branch'] },
  { title: 'Meter', names: ['ct-phasing', 'power-balance'] },
  {
    title: 'Running',
    names: ['sequence', 'settings', 'limit-response', 'expected-power', 'roll-call', 'reserve'],
  },
]
