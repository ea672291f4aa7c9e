import { reinspectionJob } from '../entering/reinspection-job.js'
import { fold } from '../job/fold.js'
import type { Instrument } from '../instrument/instrument.js'
import { METER, MODULE, Site, sheet } from '../requirements/site.testing.js'
import { drifts } from './drift.js'
import { reinspectionChanges } from './changes.js'

const TESTER: Instrument = {
  ...METER,
  id: 'tester',
  kind: 'insulation-tester',
  accuracy: [{ dimension: 'insulation', percent: 5, plus: 0 }],
}
const BOX = sheet('U', 'hybrid-inverter', [
  { id: 'iso', kind: 'insulation' },
  { id: 'voc', kind: 'string-open-circuit', max: '1000 V' },
])
const STRING = {
  id: 's',
  label: 'String 1',
  unitId: 'U',
  input: 'PV1',
  count: 10,
  module: { name: 'Nobody M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
}

/** One inspection of the same installation, `megohms` read in some year, and the string as it read at a temperature. */
function visit(
  year: number,
  megohms: number,
  voc?: { value: number; temperature: number },
  tester = TESTER,
  string = STRING,
) {
  const site = new Site().unit(MODULE).unit(BOX).write({ kind: 'string-built', body: string })
  const at = (point: string, value: number, unit: string, more: object) =>
    site.write({
      kind: 'reading',
      body: { point, typed: `${value} ${unit}`, value, unit, relation: '=', ...more },
    } as never)
  at('U/iso/s', megohms, 'MΩ', { instrument: tester, conditions: { testVoltage: 1000 } })
  if (voc)
    at('U/voc/s', voc.value, 'V', {
      instrument: METER,
      conditions: { cellTemperature: voc.temperature, irradiance: 1000 },
    })
  const { inspection } = site
  // All of it happened in that year.
  for (const { history } of inspection.checks)
    for (const one of history) Object.assign(one, { at: `${year}-06-01T08:00:00Z` })
  return inspection
}
const iso = (...visits: ReturnType<typeof visit>[]) => drifts(visits).find(({ point }) => point === 'U/iso/s')

describe('a reading that is taken again from year to year', () => {
  it('drifts when it falls by more than the instruments can differ, and reaches its limit on a day', () => {
    const found = iso(visit(2020, 50), visit(2022, 40), visit(2024, 30))!
    expect(found.drifts).toBe(true)
    expect(found.perYear).toBeCloseTo(-5, 1)
    expect(found.limit).toBeCloseTo(1, 3)
    // 29 MΩ above the limit at five a year: nearly six years after the last visit.
    expect(found.reachesOn).toMatch(/^20(29|30)-/)
  })
  it('that differs by less than the instruments may is no drift, and reaches nothing', () => {
    const found = iso(visit(2020, 50), visit(2022, 48))!
    expect([found.drifts, found.limit, found.reachesOn]).toEqual([false, undefined, undefined])
    expect(found.perYearUncertainty).toBeGreaterThan(Math.abs(found.perYear))
  })
  it('that rises leads away from a least value', () => {
    const found = iso(visit(2020, 20), visit(2024, 60))!
    expect([found.drifts, found.reachesOn]).toEqual([true, undefined])
  })
  it('needs two of them with an instrument that vouches', () => {
    expect(iso(visit(2020, 50))).toBeUndefined()
    const blind = { ...TESTER, accuracy: [] }
    expect(iso(visit(2020, 50, undefined, blind), visit(2024, 30))).toBeUndefined()
  })
  it('is compared only as long as it was taken on the same thing', () => {
    const shorter = { ...STRING, count: 9 }
    expect(iso(visit(2020, 50, undefined, TESTER, shorter), visit(2024, 30))).toBeUndefined()
  })
})

it('a string is compared at equal conditions: hotter by 20 K it reads less, and has not drifted', () => {
  const hot = 400 * (1 - 0.003 * 20)
  const found = drifts([
    visit(2020, 50, { value: 400, temperature: 25 }),
    visit(2024, 50, { value: hot, temperature: 45 }),
  ]).find(({ point }) => point === 'U/voc/s')!
  expect(found.series.map(({ value }) => Math.round(value))).toEqual([400, 400])
  expect(found.drifts).toBe(false)
})

it('what stands otherwise, and what is judged otherwise, is told; what nobody looked at yet is not', () => {
  const before = visit(2020, 50)
  const after = new Site()
    .unit(MODULE)
    .unit(BOX, { serial: 'NEW' })
    .write({ kind: 'string-built', body: { ...STRING, count: 9 } })
    .write({
      kind: 'reading',
      body: {
        point: 'U/iso/s',
        typed: '0.2 MΩ',
        value: 0.2,
        unit: 'MΩ',
        relation: '=',
        instrument: TESTER,
        conditions: { testVoltage: 1000 },
      },
    }).inspection
  expect(reinspectionChanges(before, after)).toEqual({
    built: [
      { what: 'unit', label: 'U', how: 'another' },
      { what: 'string', label: 'String 1', how: 'another' },
    ],
    verdicts: [
      expect.objectContaining({ checkId: 'U/iso/s', was: 'conforms', now: 'does-not-conform' }) as object,
    ],
  })
  expect(reinspectionChanges(before, new Site().unit(MODULE).unit(BOX).inspection).verdicts).toEqual([])
})

it('an installation that is inspected again stands as it did, with walls, places and serials, and nothing read', () => {
  const place = { wallId: 'w', x: 100, y: 900, w: 400, h: 500 }
  const wall = { id: 'w', title: 'W', leftCorner: true, rightCorner: false, uncertainty: 2, tape: 'Tape' }
  const { inspection } = new Site()
    .write({ kind: 'wall-measured', body: wall })
    .unit(MODULE)
    .unit(BOX, { serial: 'A-1', place })
    .write({ kind: 'string-built', body: STRING })
  const changes = reinspectionJob(inspection.state.asBuilt, new Set(['M', 'U']))
  const again = fold(
    changes.map((change, i) => ({
      ...change,
      id: `e${i}`,
      jobId: 'j',
      at: new Date(Date.UTC(2030, 0, 1, 0, i)).toISOString(),
      by: { id: 'i', name: 'I', role: 'inspector' },
    })) as never,
  )
  expect(again.asBuilt.units.find(({ id }) => id === 'U')).toMatchObject({ serial: 'A-1', place })
  // Its places are a proposal: nobody has held a tape to them this time.
  expect(again.asBuilt.walls).toEqual([
    { ...wall, tape: undefined, uncertainty: 0, obstructions: [], gaps: [] },
  ])
  expect(again.asBuilt.strings).toHaveLength(1)
  expect(again.evidence.size).toBe(0)
})

it('what is proposed again stands as it did: nobody having looked yet is no change', () => {
  const before = visit(2020, 50)
  const after = new Site()
    .unit(MODULE)
    .unit(BOX)
    .write({ kind: 'string-built', body: { ...STRING, proposed: 'copy' } as never })
  expect(reinspectionChanges(before, after.inspection).built).toEqual([])
})
