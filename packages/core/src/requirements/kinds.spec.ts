import type { UnitBuilt } from '../as-built/unit.js'
import type { StringBuilt } from '../as-built/string.js'
import type { JudgementContext } from './judgement-context.js'
import type { ReadingInput, EvidenceInput } from './evidence-input.js'
import { lookUpArray } from '../as-built/module-lookup.js'
import { NOTHING_BUILT, type AsBuilt } from '../as-built/as-built.js'
import type { Instrument } from '../instrument/instrument.js'
import { readSheet, type Sheet } from './sheet.js'
import { kindOf } from './kinds.js'

const METER: Instrument = {
  id: 'm',
  name: 'M',
  kind: 'multimeter',
  serial: '1',
  calibratedUntil: '2027-01-01',
  accuracy: [{ dimension: 'voltage', percent: 0.5, plus: 0 }],
}
const unit: UnitBuilt = { id: 'u', label: 'U', sheetId: 's' }
const string: StringBuilt = {
  id: 'a',
  label: 'String A',
  unitId: 'u',
  input: 'PV1',
  count: 12,
  module: { name: 'M', voc: 38.6, vocTempCoeff: -0.26, cellsInSeries: 54, bypassDiodes: 3 },
}
const asBuilt: AsBuilt = {
  ...NOTHING_BUILT,
  units: [unit],
  strings: [string, { ...string, id: 'b', unitId: 'other' }],
}
const context: JudgementContext = {
  asBuilt,
  rule: 'guarded',
  header: undefined,
  sheetOf: () => undefined,
  sheet: () => undefined,
  array: () => lookUpArray(asBuilt.array, [], () => undefined),
  loads: () => [],
  partLoads: () => [],
  strings: () => asBuilt.strings,
  reading: () => undefined,
  unitsWithSerial: () => [],
  proposals: () => new Map(),
  labelOf: (id) => id,
  onWall: () => undefined,
}
const base = { stage: 'dc', clause: '1', title: 'T', severity: 'major', remedy: 'R', id: 'r' }

const TERMINALS = [
  {
    id: 'a',
    label: 'A',
    side: 'dc',
    clamp: 'torque',
    torque: { min: '2 N·m', max: '3 N·m' },
    conductor: { min: '12 AWG', max: '8 AWG' },
  },
  { id: 'b', label: 'B', side: 'ac', clamp: 'spring', strip: { min: '17 mm', max: '19 mm' } },
]

function sheetWith(more: object): Sheet {
  return readSheet({
    format: 'plumb-mark-sheet',
    version: 1,
    maker: 'A',
    model: 'B',
    kind: 'meter',
    title: 'T',
    revision: '1',
    date: '2026-01-01',
    source: 'S',
    terminals: TERMINALS,
    requirements: [{ ...base, ...more }],
  })
}
function on(more: object) {
  const sheet = sheetWith(more)
  const wanted = sheet.requirements[0]!
  const kind = kindOf(wanted)
  const subjects = kind.expand(wanted, unit, sheet, context)
  return {
    subjects: subjects.map(({ id }) => id),
    ask: kind.ask(wanted, subjects[0]!, context, unit),
    required: String(kind.required(wanted, subjects[0]!, context, unit)),
    judge: (given: EvidenceInput | undefined, in_: JudgementContext = context) =>
      kind.judge(wanted, subjects[0]!, given, in_, unit),
  }
}

const reading = (value: number, more: Partial<ReadingInput> = {}): ReadingInput => ({
  kind: 'reading',
  value,
  relation: '=',
  instrument: METER,
  uncertainty: 0.005 * Math.abs(value),
  conditions: {},
  ...more,
})

describe('limits', () => {
  const mains = () => on({ kind: 'limits', dimension: 'voltage', min: '207 V', max: '0.253 kV' })
  it('are read in any unit and asked of the unit as a whole', () =>
    expect(mains()).toMatchObject({
      subjects: ['unit'],
      required: '207 V to 253 V',
      ask: { dimension: 'voltage', unit: 'V', instrument: 'multimeter' },
    }))
  it.each([
    [231, 'conforms'],
    [252.5, 'not-proven'],
    [260, 'does-not-conform'],
  ])('at %d V: %s', (value, verdict) => expect(mains().judge(reading(value))!.verdict).toBe(verdict))
  it('under the simple rule the uncertainty is left out', () =>
    expect(mains().judge(reading(252.5), { ...context, rule: 'simple' })!.verdict).toBe('conforms'))
  it('without an instrument prove nothing, but a plain failure stays one', () => {
    expect(mains().judge(reading(231, { instrument: undefined, uncertainty: 0 }))).toMatchObject({
      verdict: 'not-proven',
      wanting: expect.stringContaining('choose the instrument'),
    })
    expect(mains().judge(reading(271, { instrument: undefined, uncertainty: 0 }))!.verdict).toBe(
      'does-not-conform',
    )
  })
  it('from a window are asked of the terminals that have one, on their side and clamp', () => {
    expect(on({ kind: 'limits', each: 'terminal', window: 'torque' }).subjects).toEqual(['a'])
    expect(on({ kind: 'limits', each: 'terminal', window: 'strip', where: { side: 'ac' } }).subjects).toEqual(
      ['b'],
    )
    expect(on({ kind: 'limits', each: 'terminal', window: 'conductor', unit: 'AWG' })).toMatchObject({
      required: '12 AWG to 8 AWG',
      ask: { instrument: 'caliper' },
    })
  })
  it('are not judged by an observation', () =>
    expect(mains().judge({ kind: 'observation', seen: true })).toBeUndefined())
})

describe('an observation', () => {
  const tug = () =>
    on({ kind: 'observation', question: 'Does it hold?', each: 'terminal', where: { clamp: 'spring' } })
  it('is asked of each spring clamp', () =>
    expect(tug()).toMatchObject({ subjects: ['b'], ask: { kind: 'observation', question: 'Does it hold?' } }))
  it('conforms with yes and fails with no', () =>
    expect([true, false].map((seen) => tug().judge({ kind: 'observation', seen })!.verdict)).toEqual([
      'conforms',
      'does-not-conform',
    ]))
  it('nobody made is not judged', () => expect(tug().judge(undefined)).toBeUndefined())
})

describe('polarity', () => {
  const polarity = () => on({ kind: 'polarity' })
  it('is asked of the unit’s own strings', () => expect(polarity().subjects).toEqual(['a']))
  it.each([
    [446, 'conforms'],
    [-446, 'does-not-conform'],
    [0, 'not-proven'],
  ])('a reading of %d V: %s', (value, verdict) =>
    expect(polarity().judge(reading(value))!.verdict).toBe(verdict),
  )
})

describe('the open-circuit voltage of a string', () => {
  const voc = (limit = '1000 V') => on({ kind: 'string-open-circuit', max: limit, start: '180 V' })
  const sunny = { conditions: { cellTemperature: 31, irradiance: 640 } }
  it('conforms when it is within the limits and as expected', () =>
    expect(voc().judge(reading(446.5, sunny))!.verdict).toBe('conforms'))
  it('is not proven without temperature and irradiance', () =>
    expect(voc().judge(reading(446.5))).toMatchObject({
      verdict: 'not-proven',
      wanting: expect.stringContaining('cell temperature and irradiance'),
    }))
  it('fails above the unit’s limit even when it is as expected', () =>
    expect(voc('400 V').judge(reading(446.5, sunny))!.verdict).toBe('does-not-conform'))
  it('fails below the start voltage', () =>
    expect(voc().judge(reading(120, sunny))!.verdict).toBe('does-not-conform'))
  it('tells the causes of a wrong one, most likely first', () =>
    expect(voc().judge(reading(406.6, sunny))!.causes![0]).toContain('one module is missing'))
})
