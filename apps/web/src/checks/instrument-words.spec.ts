import type { Instrument } from '@plumb-mark/core'
import { instrumentWords } from './instrument-words.js'

const DRIVER: Instrument = {
  id: 'd',
  name: 'Torque driver T2',
  kind: 'torque-driver',
  serial: '7',
  calibratedUntil: '2027-03-31',
  accuracy: [{ dimension: 'torque', percent: 4, plus: 0, upTo: 6 }],
}

it.each([
  ['2027-03-31', 'in date until 2027-03-31'],
  ['2027-04-01', 'calibration ended 2027-03-31'],
])('on %s at the site a driver is %s, beside how good it is at what is asked', (today, words) =>
  expect(instrumentWords(DRIVER, 'torque', today)).toBe(`Torque driver T2, ±4 %, to 6 N·m, ${words}`),
)
