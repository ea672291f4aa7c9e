import { expired } from '@plumb-mark/practice'
import { pick } from './answers.mjs'

/** Evidence that was taken from the wrong thing, to the wrong question, at the wrong time or beyond a range; traces that show too little. */
const kind =
  (...kinds) =>
  (check) =>
    kinds.includes(check.requirement.kind)
const form = (wanted) => (check) => check.ask.kind === 'record' && check.ask.form === wanted

const answered = (test, change) => (site) => {
  const found = pick(site, test)
  const body = found && change(found.entry.body, found.check, site)
  if (!body) return false
  found.entry.body = body
  return true
}
const answer = (test, change) =>
  answered(test, (body, check, site) => {
    const next = change(body.answer, check, site)
    return next && { ...body, answer: { ...body.answer, ...next } }
  })

const trace = (change) => answer(form('trace'), change)
const seen = (change) =>
  trace(({ found }) => found.seen && { found: { ...found, seen: { ...found.seen, ...change } } })

const OTHER = {
  device: {
    id: 'somewhere',
    host: '127.0.0.1',
    port: 502,
    unitId: 1,
    maker: 'Other',
    model: 'O',
    serial: 'OTHER-1',
    firmware: '1',
    simulated: true,
  },
  points: [{ part: 'x', point: 'x', register: 1, raw: '1', exponent: 0, at: '2026-06-01T07:00:00Z' }],
}

/** Everything of a unit moved to before it stood there. */
function early(site) {
  const found = pick(site, ({ ask }) => ask.kind !== 'derived')
  found.entry.at = '2026-05-01T08:00:00.000Z'
  return true
}

function otherModules(site) {
  const { body } = site.find('unit-fitted', ({ id }) => id === 'modules').at(-1)
  const plane = site.find('plane-built', ({ id }) => id === 'south').at(-1)
  site.write('unit-fitted', { ...body, id: 'others', label: 'Others' })
  site.write('plane-built', { ...plane.body, unitId: 'others' })
  return true
}

/** The string was away while it was read: by its own time the reading lies between its removal and its return. */
function readWhileAway(site) {
  const [string] = site.find('string-built')
  const found = pick(
    site,
    ({ ask, subject }) => ask.kind !== 'derived' && subject.string?.id === string.body.id,
  )
  if (!found) return false
  site.write('string-removed', { stringId: string.body.id })
  site.write(found.entry.kind, found.entry.body)
  site.write('string-built', string.body)
  return true
}

/** As a device answers that has not heard of a revision: the sheet that it names is no longer the one in force. */
const oldQuestion = answered(
  ({ ask }) => ask.kind !== 'derived',
  (body) => ({ ...body, sheetId: 'nobody-knows-it-1' }),
)

const lastDay = (site) => {
  site.entries[0].body = { ...site.entries[0].body, timeZone: 'Pacific/Auckland' }
  const found = pick(site, ({ ask }) => ask.kind === 'reading')
  if (!found?.entry.body.instrument) return false
  // Noon in Greenwich is past midnight there.
  found.entry.at = '2026-06-01T12:30:00.000Z'
  found.entry.body = {
    ...found.entry.body,
    instrument: { ...found.entry.body.instrument, calibratedUntil: '2026-06-01' },
  }
  return true
}

const shortened = (instrument, reach) => ({
  ...instrument,
  accuracy: instrument.accuracy.map((one) => ({ ...one, upTo: reach })),
})
const beyond = answered(
  (check) => check.ask.kind === 'reading' || form('series')(check) || kind('gland', 'fixings')(check),
  (body) => body.instrument && { ...body, instrument: shortened(body.instrument, 0) },
)

const onePlate = (site) => {
  const plates = site.entries.filter(
    ({ kind: of, body }) => of === 'record' && body.answer.values?.serial?.typed,
  )
  if (plates.length < 2) return false
  const [one, other] = plates
  other.body = {
    ...other.body,
    answer: { values: { ...other.body.answer.values, serial: one.body.answer.values.serial } },
  }
  return true
}

const onePhoto = answer(form('photos'), ({ taken }) => {
  const [first, ...more] = Object.keys(taken)
  return more.length > 0 && { taken: Object.fromEntries([first, ...more].map((id) => [id, taken[first]])) }
})

const LATE = '2026-06-01T23:00:00.000Z'
const lateStep = answer(form('steps'), ({ done }) => ({ done: done.map((one) => ({ ...one, at: LATE })) }))

/** The clock of a second device is an hour ahead: its last step seems to come an hour later than it did. */
function hiddenWait(site) {
  const found = pick(
    site,
    (check) => form('steps')(check) && check.ask.steps.some(({ waitSeconds }) => waitSeconds > 60),
  )
  if (!found) return false
  const { steps } = found.check.ask
  const at = steps.findLastIndex(({ waitSeconds }) => waitSeconds > 60)
  const { done } = found.entry.body.answer
  const before = done.filter(({ id }) => id !== steps[at].id)
  const last = before.map(({ at: time }) => Date.parse(time)).reduce((a, b) => Math.max(a, b), 0)
  if (at !== steps.length - 1) return false
  found.entry.body = { ...found.entry.body, answer: { done: before } }
  const claimed = new Date(last + 3_600_000).toISOString()
  const entry = site.write('record', {
    ...found.entry.body,
    answer: { done: [...before, { id: steps[at].id, at: claimed }] },
  })
  entry.at = new Date(last + 2000).toISOString()
  found.entry.at = new Date(last + 1000).toISOString()
  entry.said = new Date(last + 2000 + 3_599_000).toISOString()
  return true
}

export const BELONGS = [
  ['what was read before its unit stood there', early],
  ['the modules were exchanged after they were read', otherModules],
  ['a string was read while it was away', readWhileAway],
  ['an answer to a sheet that is not in force', oldQuestion],
  ['the word of another unit’s device', answered(form('fields'), (body) => ({ ...body, word: OTHER }))],
  ['one serial on two plates', onePlate],
  ['one photo for every place', onePhoto],
  ['read on the day after the last of a calibration, where the site is', lastDay],
  ['read beyond the range of the instrument', beyond],
  [
    'a size at a terminal that the diagram contradicts',
    answered(
      ({ requirement, subject }) => requirement.window === 'conductor' && subject.terminal?.side === 'ac',
      (body) => ({ ...body, value: 6, typed: '6 mm²' }),
    ),
  ],
  ['a step after the entry that holds it', lateStep],
  ['a wait that the clock of a second device hides', hiddenWait],

  ['a trace that ends too early', trace(({ eventAt }) => ({ end: eventAt + 3 }))],
  [
    'a trace that begins with the event',
    trace(
      ({ eventAt, found }) => found.seen && { found: { ...found, seen: { ...found.seen, from: eventAt } } },
    ),
  ],
  ['a trace of two samples', seen({ widestGap: 200 })],
  ['a trace of another column', trace(() => ({ channel: 'Grid voltage L2' }))],
  ['a trace in another unit', seen({ unit: 'kW' })],
  [
    'a fallback tried without production',
    answer(
      (check) => check.requirement.kind === 'trace-test' && check.requirement.start?.min !== undefined,
      ({ found }) => ({ found: { ...found, seen: { ...found.seen, before: { least: 0, most: 0 } } } }),
    ),
  ],
  ['a trace that nobody looked at', trace(({ found }) => ({ found: { ...found, seen: undefined } }))],
  [
    'an instrument out of calibration in a record',
    answered(
      ({ ask }) => ask.kind === 'record',
      (body) => body.instrument && { ...body, ...expired(body) },
    ),
  ],
].map(([name, plant]) => ({ name, plant }))
