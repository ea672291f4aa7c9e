import { requireModest } from './modest.js'

const modest =
  (json: string, most = 10) =>
  () =>
    requireModest(Buffer.from(json), 'x.json', most)

it.each([
  ['as many values as are allowed', '[1,2,3,4,5,6,7,8,9]', 10],
  ['signs within text', JSON.stringify('[[[[,,,,{{{{'.repeat(50)), 1],
  ['a quote within text', JSON.stringify({ a: 'say "no, no, no, no, no, no, no, no, no, no, no"' }), 2],
  ['a backslash at the end of a text', '["\\\\",1]', 3],
  ['nested as deep as anything is', '['.repeat(60) + ']'.repeat(60), 100],
])('%s passes', (_what, json, most) => {
  expect(modest(json, most)).not.toThrow()
})

it.each([
  ['one value too many', '[1,2,3,4,5,6,7,8,9,10,11]', 'holds more than 10 values'],
  ['nested one deeper', `${'['.repeat(61)}${']'.repeat(61)}`, 'is nested deeper than 60'],
  ['empty objects without end', `[${'{},'.repeat(20)}{}]`, 'holds more than 10 values'],
])('%s is refused before anything is made of it', (_what, json, reason) => {
  expect(modest(json, reason.includes('deeper') ? 1000 : 10)).toThrow(
    expect.objectContaining({ code: 'too-large', reason }),
  )
})
