import { Site, TAPE, devices, plane, row, sheet, string } from './site.testing.js'
import { MODULE } from './site.testing.js'
import { sheetDifferences, differenceWords } from './difference.js'
import { adoptionChanges, withSheet } from '../walk/adoption.js'

const read = (point: string, value: number, unit: string, accuracy: object) => ({
  kind: 'reading' as const,
  body: {
    point,
    typed: `${value}`,
    value,
    unit,
    relation: '=' as const,
    instrument: { ...TAPE, accuracy: [accuracy as (typeof TAPE.accuracy)[number]] },
  },
})

describe('how far a figure lies from its limit', () => {
  const limits = (more: object) => sheet('U', 'hybrid-inverter', [{ id: 'l', kind: 'limits', ...more }])
  it('in degrees Fahrenheit is a difference, which has no zero of its own', () => {
    const site = new Site()
      .unit(limits({ dimension: 'temperature', min: '−10 °C', max: '40 °C', unit: '°F' }))
      .write(read('U/l/unit', 35, '°C', { dimension: 'temperature', percent: 0, plus: 1 }))
    expect(site.says('U/l/unit')).toBe('conforms: inside by 9 °F')
    const { outcome } = site
      .write(read('U/l/unit', 39.5, '°C', { dimension: 'temperature', percent: 0, plus: 1 }))
      .check('U/l/unit')
    expect('wanting' in outcome && outcome.wanting).toContain('± 1.8 °F')
  })
  it('of a conductor is told as the size and the sizes that are allowed', () => {
    const of = limits({ dimension: 'conductor-size', min: '4 mm²', max: '6 mm²' })
    const site = (value: number) =>
      new Site().unit(of).write({
        ...read('U/l/unit', value, 'mm²', {}),
        body: { ...read('U/l/unit', value, 'mm²', {}).body, instrument: undefined },
      })
    expect(site(6).says('U/l/unit')).toBe('conforms: 6 mm², allowed 4 mm² to 6 mm²')
    expect(site(10).says('U/l/unit')).toBe('does-not-conform: 10 mm², allowed 4 mm² to 6 mm²')
  })
  it('is nothing for a size below nothing', () => {
    const site = new Site()
      .unit(limits({ dimension: 'angle', max: '5 °' }))
      .write(read('U/l/unit', -40, '°', { dimension: 'angle', percent: 0, plus: 0.1 }))
    expect(site.says('U/l/unit')).toContain('not-proven')
  })
})

it('transformers T+ and T− do not share an answer', () => {
  const of = sheet('U', 'meter', [
    { id: 'a', kind: 'arrow-convention', means: 'to-grid', transformers: ['T+', 'T-'] },
  ])
  expect(
    new Site()
      .unit(of)
      .inspection.checks.filter(({ check }) => check.requirement.id === 'a')
      .map(({ check }) => check.id),
  ).toEqual(['U/a/t-2b', 'U/a/t-2d'])
})

it('on a nameplate a hyphen joins, and before a figure it is a sign', () => {
  const of = sheet('U', 'meter', [
    { id: 'n', kind: 'nameplate', lines: [{ id: 'low', label: 'coldest place', expected: '-10 °C' }] },
  ])
  const found = (model: string, low: string) =>
    new Site()
      .unit(of, { serial: 'AB-12-34' })
      .record('U/n/unit', {
        values: { model: { typed: model }, serial: { typed: 'ab1234' }, low: { typed: low } },
      })
      .says('U/n/unit')
  expect(found('U', '−10 °C')).toContain('conforms')
  expect(found('U', '10 °C')).toContain('does-not-conform')
})

it('1.10 and 1.1 are different firmware, and 1.10 V is 1.1 V', () => {
  const of = sheet('U', 'meter', [
    {
      id: 's',
      kind: 'settings',
      settings: [
        { id: 'fw', label: 'firmware', rule: { equals: '1.10' } },
        { id: 'v', label: 'voltage', rule: { equals: '1.10' } },
      ],
    },
  ])
  const set = (fw: string) =>
    new Site().unit(of).record('U/s/unit', { values: { fw: { typed: fw }, v: { typed: '1.1' } } })
  expect(set('1.1').says('U/s/unit')).toBe('does-not-conform: firmware not as asked')
  expect(set('v1.10').says('U/s/unit')).toContain('conforms')
})

it('the ring of a gland is fitted however that is written', () => {
  const range = { without: { min: '13 mm', max: '18 mm' }, withRing: { min: '9 mm', max: '13 mm' } }
  const of = sheet('U', 'meter', [{ id: 'g', kind: 'gland', glands: [{ id: 'ac', label: 'AC', ...range }] }])
  const ring = (typed: string) =>
    new Site()
      .unit(of)
      .record(
        'U/g/ac',
        { values: { diameter: { typed: '11', value: 11 }, ring: { typed } } },
        { instrument: TAPE },
      )
      .says('U/g/ac')
  expect(ring('Fitted')).toContain('conforms')
  expect(ring('perhaps')).toContain('not-proven')
})

it('a wait without anything to wait for counts from the step before', () => {
  const of = sheet('U', 'battery', [
    {
      id: 'o',
      kind: 'ordered-steps',
      steps: [
        { id: 'a', label: 'A' },
        { id: 'b', label: 'B', wait: '60 s' },
      ],
    },
  ])
  const done = (minute: number) =>
    new Site().unit(of).record('U/o/unit', {
      done: [
        { id: 'a', at: '2026-06-01T08:00:00Z' },
        { id: 'b', at: `2026-06-01T08:0${minute}:30Z` },
      ],
    })
  expect([done(0).says('U/o/unit'), done(1).says('U/o/unit')]).toEqual([
    'does-not-conform: B came 30 s too soon after A',
    'conforms: in the maker’s order',
  ])
})

it('several of one model are several, whatever the revision of their sheets', () => {
  const of = (revision: string) =>
    sheet('U', 'battery', [{ id: 'o', kind: 'observation', question: 'Q?', when: { several: true } }], {
      revision,
    })
  const two = new Site().unit(of('1')).unit(of('2'), { id: 'V', label: 'V' })
  expect(two.says('U/o/unit')).toBe('not-inspected: ')
})

it('colder than the table reaches, the coefficient still tells', () => {
  const of = sheet('I', 'string-inverter', [{ id: 'cold', kind: 'cold-limit', max: '600 V' }])
  const at = (coldMethod: 'coefficient' | 'table') =>
    new Site({ coldest: -45 })
      .unit(MODULE)
      .unit(of)
      .write(plane(1, 10), string(row(10), { coldMethod }))
      .says('I/cold/s')
  expect(at('coefficient')).toContain('conforms: 484')
  expect(at('table')).toContain('not-proven')
})

describe('the proof of transformers on a split phase', () => {
  const of = sheet('U', 'meter', [{ id: 'p', kind: 'ct-proof', phases: 2, uncertainty: '40 VA' }])
  const seen = (...rows: [number, number, number][]) =>
    new Site().unit(of).record('U/p/unit', {
      values: Object.fromEntries(
        rows.flatMap(([p, r, q], i) =>
          Object.entries({ v: 120, p, r, q }).map(([name, value]) => [
            `${name}${i + 1}`,
            { typed: `${value}`, value },
          ]),
        ),
      ),
    })
  it('counts 180° between the legs', () => {
    expect(seen([1000, 1000, 0], [400, 400, 0]).says('U/p/unit')).toContain('conforms')
    expect(seen([1000, -400, 0], [400, -1000, 0]).says('U/p/unit')).toContain('swap the transformers')
  })
  it('says which load to switch where equal ones tell nothing', () => {
    const { outcome } = seen([1000, 1000, 0], [1000, 1000, 0]).check('U/p/unit')
    expect('wanting' in outcome && outcome.wanting).toContain('switch one more load on at L1 alone')
  })
})

it('between two revisions the order of bolts and steps is told, and a short-circuit current in the preview', () => {
  const bolts = (...ids: string[]) => ids.map((id) => ({ id, label: id }))
  const cover = (revision: string, ...ids: string[]) =>
    sheet('U', 'battery', [{ id: 'c', kind: 'tightening-order', passes: 1, bolts: bolts(...ids) }], {
      revision,
    })
  expect(
    sheetDifferences(cover('1', 'a', 'b', 'c'), cover('2', 'a', 'c', 'b')).map(differenceWords),
  ).toContain('T: bolts, order a · b · c → a · c · b, clause 1')
  const of = sheet('I', 'string-inverter', [{ id: 'isc', kind: 'string-short-circuit' }])
  const site = new Site()
    .unit(MODULE)
    .unit(of)
    .write(plane(1, 10), string(row(10)))
  const stronger = { ...MODULE, revision: '2', module: { ...MODULE.module!, isc: 13 } }
  const { inspection } = site
  const after = withSheet(inspection.state, inspection.sheets, 'nobody-m-1', stronger)
  expect(adoptionChanges(inspection, after).map(({ checkId }) => checkId)).toContain('I/isc/s')
})

it('a module is on one device', () => {
  const of = sheet('E', 'module-electronics', [{ id: 'p', kind: 'ports' }])
  const shared = new Site()
    .unit(MODULE)
    .unit(of)
    .write(
      plane(1, 3),
      devices('E', 2, (i) => ({ feeds: i === 1 ? ['p.r1c1', 'p.r1c2'] : ['p.r1c2'] })),
    )
  expect(shared.says('E/p/b1')).toContain('plugged into two inputs')
})
