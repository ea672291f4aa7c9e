import {
  accuracyOf,
  isStated,
  measures,
  uncertaintyOf,
  unstatedIn,
  vouching,
  type Instrument,
} from './instrument.js'

const METER: Instrument = {
  id: 'm',
  name: 'Meter M1',
  kind: 'multimeter',
  serial: '1',
  calibratedUntil: '2099-01-01',
  accuracy: [
    { dimension: 'voltage', percent: 0.5, plus: 0.2, upTo: 600 },
    { dimension: 'resistance', percent: 0, plus: 0 },
    { dimension: 'length', percent: 0, plus: 2 },
  ],
}

it.each([
  [0.5, 0, true],
  [0, 0.2, true],
  [0, 0, false],
])('%d %% and %d is an uncertainty: %s', (percent, plus, stated) =>
  expect(isStated({ percent, plus })).toBe(stated),
)

it('an instrument that states no uncertainty of a dimension does not measure it, and vouches for nothing', () => {
  expect(unstatedIn(METER)).toEqual(['resistance'])
  expect(measures(METER, 'resistance')).toBe(false)
  expect(accuracyOf(METER, 'resistance')).toBeUndefined()
  expect(vouching(METER, 'resistance', 3)).toBeUndefined()
})

it('a percentage and a constant add up; beyond its range it vouches for nothing', () => {
  expect(uncertaintyOf(METER, 'voltage', 400)).toBeCloseTo(2.2, 9)
  expect(uncertaintyOf(METER, 'voltage', -400)).toBeCloseTo(2.2, 9)
  expect([vouching(METER, 'voltage', 600), vouching(METER, 'voltage', 601)]).toEqual([METER, undefined])
})

it('a tape measures the length of a cable too, in metres', () =>
  expect(uncertaintyOf(METER, 'cable-length', 10)).toBeCloseTo(0.002, 9))
