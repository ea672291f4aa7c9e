import type { Instrument } from '../instrument/instrument.js'
import { suitable } from './suitable.js'

const one = (
  kind: Instrument['kind'],
  ...dimensions: Instrument['accuracy'][number]['dimension'][]
): Instrument => ({
  id: kind,
  name: kind,
  kind,
  serial: '1',
  calibratedUntil: '2099-01-01',
  accuracy: dimensions.map((dimension) => ({ dimension, percent: 1, plus: 0 })),
})

it.each([
  ['a tape reads a length', one('tape', 'length'), { kind: 'reading', dimension: 'length' }, true],
  ['and the length of a cable', one('tape', 'length'), { kind: 'reading', dimension: 'cable-length' }, true],
  [
    'a meter that says nothing of currents reads none',
    one('multimeter', 'voltage'),
    { kind: 'reading', dimension: 'current' },
    false,
  ],
  [
    'one that says nothing of itself reads nothing',
    one('tape'),
    { kind: 'reading', dimension: 'length' },
    false,
  ],
  [
    'a record takes the kind that it asks for',
    one('torque-driver', 'torque'),
    { kind: 'record', instrument: 'torque-driver' },
    true,
  ],
  ['and no other', one('multimeter', 'voltage'), { kind: 'record', instrument: 'torque-driver' }, false],
  ['a caliper stands in for a tape', one('caliper', 'length'), { kind: 'record', instrument: 'tape' }, true],
  ['a tape for no caliper', one('tape', 'length'), { kind: 'record', instrument: 'caliper' }, false],
  [
    'a caliper that says nothing of lengths for nothing',
    one('caliper'),
    { kind: 'record', instrument: 'tape' },
    false,
  ],
  ['where no instrument is asked for none is offered', one('tape', 'length'), { kind: 'record' }, false],
] as const)('%s', (_rule, instrument, wanted, answer) => {
  expect(suitable(instrument, wanted)).toBe(answer)
})
