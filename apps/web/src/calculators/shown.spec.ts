import { shown } from './shown.js'

it.each([
  [446.878, '446.9'],
  [6554.876, '6555'],
  [123456, '123456'],
  [0.00042, '0.00042'],
  [-0.93061, '−0.9306'],
  [0, '0'],
])('%s reads %s', (value, text) => {
  expect(shown(value)).toBe(text)
})
