import type { EntryBodies } from '../job/entries/registry.js'
import { METER, Site, TAPE, sheet } from '../requirements/site.testing.js'

const torque = (more: object = {}, head: object = {}) =>
  sheet(
    'U',
    'hybrid-inverter',
    [{ id: 't', kind: 'limits', title: 'Depth', dimension: 'length', min: '60 mm', max: '80 mm', ...more }],
    head,
  )
const read = (point: string, more: Partial<EntryBodies['reading']> = {}) => ({
  kind: 'reading' as const,
  body: {
    point,
    typed: '70 mm',
    value: 70,
    unit: 'mm',
    relation: '=' as const,
    instrument: TAPE,
    ...more,
  },
})
const serial = (said: string | undefined) => ({
  kind: 'unit-fitted' as const,
  body: { id: 'U', label: 'Box', sheetId: 'nobody-u-1', ...(said && { serial: said }) },
})
const again = (site: Site, id: string) => {
  const { outcome } = site.check(id)
  return outcome.verdict === 'not-inspected' ? outcome.again : outcome.verdict
}

describe('evidence of a unit', () => {
  const site = () => new Site().unit(torque(), { label: 'Box', serial: 'A-1' }).write(read('U/t/unit'))
  it('holds while it is the same unit, however its serial is written', () =>
    expect(again(site().write(serial('a1')), 'U/t/unit')).toBe('conforms'))
  it('is gone when the unit is exchanged under its name', () =>
    expect(again(site().write(serial('B-2')), 'U/t/unit')).toBe('it was taken on another Box, serial A-1'))
  it('holds when a serial that nobody had read is entered', () => {
    const unread = new Site().unit(torque(), { label: 'Box' }).write(read('U/t/unit'), serial('A-1'))
    expect(again(unread, 'U/t/unit')).toBe('conforms')
  })
})

describe('evidence under an adopted sheet', () => {
  const pin = (revision: string) => ({
    id: `nobody-u-${revision}`,
    maker: 'Nobody',
    model: 'U',
    revision,
    fingerprint: 'f',
  })
  const adopted = (before: object, after: object) =>
    new Site({ sheets: [pin('1')] })
      .unit(torque(before))
      .write(read('U/t/unit'))
      .knows(torque(after, { revision: '2' }))
      .write({ kind: 'sheet-adopted', body: { sheet: pin('2'), replaces: 'nobody-u-1' } })
  it.each([
    ['holds where only a limit moved', {}, { max: '75 mm' }, 'conforms'],
    ['is judged by the new limit', {}, { max: '65 mm' }, 'does-not-conform'],
    [
      'does not answer another dimension',
      {},
      { dimension: 'torque', min: '60 N·m', max: '80 N·m' },
      'the sheet asked something else then (revision 1)',
    ],
    [
      'does not answer another question',
      {},
      { title: 'Depth of the second hole' },
      'the sheet asked something else then (revision 1)',
    ],
  ])('%s', (_rule, before, after, said) => expect(again(adopted(before, after), 'U/t/unit')).toBe(said))
  it('is asked for again where the sheet that asked is not at hand any more', () => {
    const site = adopted({}, {})
    expect(again(site.forgets('nobody-u-1'), 'U/t/unit')).toBe(
      'it was asked by a sheet that is not at hand any more',
    )
  })
})

it('a voltage belongs to the string as it was wired', () => {
  const of = sheet('I', 'string-inverter', [{ id: 'voc', kind: 'string-open-circuit', max: '600 V' }])
  const built = (more: object) => ({
    kind: 'string-built' as const,
    body: {
      id: 's',
      label: 'A',
      unitId: 'I',
      input: 'PV1',
      count: 10,
      module: { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 54, bypassDiodes: 3 },
      ...more,
    },
  })
  const voltage = read('I/voc/s', {
    typed: '400 V',
    value: 400,
    unit: 'V',
    instrument: METER,
    conditions: { cellTemperature: 25, irradiance: 1000 },
  })
  const site = () => new Site().unit(of).write(built({}), voltage)
  expect(again(site().write(built({ input: 'pv1', label: 'String A' })), 'I/voc/s')).toBe('conforms')
  expect(again(site().write(built({ count: 9 })), 'I/voc/s')).toBe('the string was changed since')
})

it('a resistance belongs to the bond as it was made', () => {
  const of = sheet('U', 'hybrid-inverter', [{ id: 'ohm', kind: 'earth-continuity' }])
  const bond = (more: object) => ({
    kind: 'bond-made' as const,
    body: { id: 'b', from: 'f', to: 'm', means: 'lug' as const, ...more },
  })
  const site = () =>
    new Site().unit(of).write(
      { kind: 'earth-part-found', body: { id: 'f', label: 'f', kind: 'unit', unitId: 'U' } },
      { kind: 'earth-part-found', body: { id: 'm', label: 'm', kind: 'main-terminal' } },
      bond({ size: 6 }),
      read('U/ohm/b', {
        typed: '0.01 Ω',
        value: 0.01,
        unit: 'Ω',
        instrument: { ...METER, accuracy: [{ dimension: 'resistance', percent: 1, plus: 0 }] },
      }),
    )
  expect(again(site().write(bond({ size: 6, lineSize: 6 })), 'U/ohm/b')).toBe('conforms')
  expect(again(site().write(bond({ size: 6, means: 'washer' })), 'U/ohm/b')).toBe(
    'the bond was changed since',
  )
})
