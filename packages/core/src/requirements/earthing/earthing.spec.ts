import type { Bond, EarthPart } from '../../earthing/bond.js'
import type { Instrument } from '../../instrument/instrument.js'
import { Site, sheet } from '../site.testing.js'

const TESTER: Instrument = {
  id: 't',
  name: 'T',
  kind: 'continuity-tester',
  serial: '1',
  calibratedUntil: '2027-01-01',
  accuracy: [{ dimension: 'resistance', percent: 0, plus: 0.005 }],
}
const UNIT = sheet('U', 'hybrid-inverter', [
  { id: 'bond', kind: 'bonding', means: ['lug', 'washer', 'supply-cable'], maxUses: 1 },
  { id: 'size', kind: 'earth-size', minimum: '6 mm²' },
  { id: 'ohm', kind: 'earth-continuity' },
])
const part = (id: string, kind: EarthPart['kind'], unitId?: string) => ({
  kind: 'earth-part-found' as const,
  body: { id, label: id, kind, ...(unitId && { unitId }) },
})
const bond = (from: string, to: string, more: Partial<Bond> = {}) => ({
  kind: 'bond-made' as const,
  body: { id: `${from}-${to}`, from, to, means: 'lug' as const, ...more },
})

function earthed(
  bonds: ReturnType<typeof bond>[],
  { of = UNIT, header = {} }: { of?: typeof UNIT; header?: object } = {},
): Site {
  return new Site(header)
    .unit(of)
    .write(part('met', 'main-terminal'), part('bar', 'bar'), part('frame', 'frame', 'U'), ...bonds)
}

describe('bonding', () => {
  it('goes through to the main earth terminal, over whatever lies between', () =>
    expect(earthed([bond('frame', 'bar'), bond('bar', 'met')]).says('U/bond/unit')).toBe(
      'conforms: bonded through to the main earth terminal',
    ))
  it('the direction in which a bond was entered does not matter', () =>
    expect(earthed([bond('frame', 'bar'), bond('met', 'bar')]).says('U/bond/unit')).toContain('conforms'))
  it('that ends at the bar is none', () =>
    expect(earthed([bond('frame', 'bar')]).says('U/bond/unit')).toBe(
      'does-not-conform: frame: no way to the main earth terminal',
    ))
  it('by means that the sheet does not list fails', () =>
    expect(earthed([bond('frame', 'met', { means: 'plate' })]).says('U/bond/unit')).toContain(
      'bonding plate at frame is not among the means',
    ))
  it('a lug must be listed, unless the authority insists on copper', () => {
    const plates = sheet('U', 'hybrid-inverter', [{ id: 'bond', kind: 'bonding', means: ['plate'] }])
    const said = (copperBonds: boolean) =>
      earthed([bond('frame', 'met')], { of: plates, header: { copperBonds } }).says('U/bond/unit')
    expect([said(false), said(true)]).toEqual([
      'does-not-conform: lug on copper at frame is not among the means allowed',
      'conforms: bonded through to the main earth terminal',
    ])
  })
  it('entered from the earth outwards its means count all the same', () =>
    expect(earthed([bond('met', 'frame', { means: 'plate' })]).says('U/bond/unit')).toContain(
      'bonding plate at frame is not among the means',
    ))
  it('separate copper is always allowed', () =>
    expect(earthed([bond('frame', 'met', { means: 'copper' })]).says('U/bond/unit')).toContain('conforms'))
  it('with a part that was fitted before fails', () =>
    expect(earthed([bond('frame', 'met', { means: 'washer', uses: 2 })]).says('U/bond/unit')).toContain(
      'fitted 2 times, at most 1',
    ))
  it('with a part of which nobody said how often it was fitted is not proven', () => {
    expect(earthed([bond('frame', 'met', { means: 'washer' })]).says('U/bond/unit')).toBe(
      'not-proven: how often a part was fitted is not said',
    )
  })
  it('by a washer fails where the authority insists on copper', () => {
    const washers = [bond('frame', 'bar', { means: 'washer', uses: 1 }), bond('bar', 'met')]
    expect(earthed(washers).says('U/bond/unit')).toContain('conforms')
    expect(earthed(washers, { header: { copperBonds: true } }).says('U/bond/unit')).toContain(
      'the authority wants copper all the way',
    )
  })
  it('a second earth terminal is an addition, never instead of the core of the supply cable', () => {
    const of = sheet('U', 'hybrid-inverter', [
      { id: 'bond', kind: 'bonding', means: ['supply-cable', 'copper'], supplyCable: true },
    ])
    expect(earthed([bond('frame', 'met', { means: 'copper' })], { of }).says('U/bond/unit')).toContain(
      'never instead of it',
    )
    expect(
      earthed(
        [
          bond('frame', 'met', { means: 'supply-cable' }),
          {
            ...bond('frame', 'met', { means: 'copper' }),
            body: { ...bond('frame', 'met', { means: 'copper' }).body, id: 'second' },
          },
        ],
        { of },
      ).says('U/bond/unit'),
    ).toContain('conforms')
  })
  it('by a core of the supply cable that is landed on nothing earths nothing', () => {
    const of = sheet('U', 'hybrid-inverter', [
      { id: 'bond', kind: 'bonding', means: ['supply-cable', 'copper'], supplyCable: true },
    ])
    const loose = [bond('frame', 'met', { means: 'copper' }), bond('frame', 'bar', { means: 'supply-cable' })]
    expect(earthed(loose, { of }).says('U/bond/unit')).toContain('never instead of it')
    expect(earthed([...loose, bond('bar', 'met')], { of }).says('U/bond/unit')).toContain('conforms')
  })
  it('of which nothing is entered is not inspected', () =>
    expect(new Site().unit(UNIT).says('U/bond/unit')).toBe('not-inspected: '))
})

describe('the size of a protective conductor', () => {
  const fitted = (more: Partial<Bond>, header: object = {}) =>
    earthed([bond('frame', 'met', more)], { header }).says('U/size/frame-met')
  it.each<[string, Partial<Bond>, object, string]>([
    [
      'by the table, as its line conductor',
      { size: 10, lineSize: 10 },
      {},
      'conforms: 10 mm² fitted, 10 mm² asked for by the method',
    ],
    [
      'never less than the sheet’s own',
      { size: 4, lineSize: 4 },
      {},
      'does-not-conform: 4 mm² fitted, 6 mm² asked for by the sheet',
    ],
    [
      'by the adiabatic equation, where the job says so',
      { size: 6, faultCurrent: 1000, clearingTime: 0.4 },
      { earthMethod: 'adiabatic' },
      'conforms: 6 mm² fitted',
    ],
    [
      'too small for the fault',
      { size: 6, faultCurrent: 3000, clearingTime: 0.4 },
      { earthMethod: 'adiabatic' },
      'does-not-conform',
    ],
    ['of which the line conductor is not known', { size: 6 }, {}, 'not-proven'],
  ])('%s', (_how, more, header, said) => expect(fitted(more, header)).toContain(said))
  it('is asked only of conductors, not of washers', () =>
    expect(() => earthed([bond('frame', 'met', { means: 'washer' })]).check('U/size/frame-met')).toThrow(
      'no check',
    ))
})

describe('continuity of a bond', () => {
  const read = (value: number, more: Partial<Bond> = {}, how: object = { instrument: TESTER }) =>
    earthed([bond('frame', 'met', more)])
      .write({
        kind: 'reading',
        body: { point: 'U/ohm/frame-met', typed: `${value} Ω`, value, unit: 'Ω', relation: '=', ...how },
      })
      .says('U/ohm/frame-met')
  it('is that of its copper and its joints: 0.0175 × 20 m ÷ 10 mm² + 0.05 Ω = 0.085 Ω', () => {
    expect(read(0.08, { size: 10, length: 20 })).toContain('conforms')
    expect(read(0.095, { size: 10, length: 20 })).toContain('does-not-conform')
    expect(read(0.084, { size: 10, length: 20 })).toContain('not-proven')
  })
  it('of a washer is that of its joint alone', () =>
    expect(read(0.06, { means: 'washer' })).toContain('does-not-conform'))
  it('without a named tester proves nothing', () => expect(read(0.01, {}, {})).toContain('not-proven'))
})
