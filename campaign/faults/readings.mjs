import { limitsWindow } from '@plumb-mark/practice'

/** A random check of those that a test picks, with the entry that answers it. */
export function pick(site, test) {
  const rows = site
    .inspection()
    .checks.filter(({ check }) => test(check))
    .flatMap(({ check }) =>
      site.entries.filter(({ body }) => body.point === check.point).map((entry) => ({ check, entry })),
    )
  return rows.length > 0 ? site.chance.of(rows) : undefined
}

/** Spoils the answer of a random check of one kind. */
export const spoil =
  (kind, change, more = () => true) =>
  (site) => {
    const found = pick(site, (check) => check.requirement.kind === kind && more(check))
    if (!found) return false
    const next = change(found.entry.body, found.check, site)
    if (!next) return false
    found.entry.body = { ...found.entry.body, ...next }
    return true
  }

const reads = (value) => ({ value, typed: `${value}` })
const BRIGHTNESS = [{ dimension: 'irradiance', percent: 1, plus: 0 }]
/** The instrument of an answer after its calibration was over. */
export const expired = ({ instrument }) =>
  instrument && { instrument: { ...instrument, calibratedUntil: '2026-05-31' } }

/** What can be wrong with any figure that must lie inside limits. */
const FIGURE = {
  'below the window': (_body, check) => {
    const { min } = limitsWindow(check)
    return min === undefined ? undefined : reads(min > 0 ? 0.7 * min : min - 20)
  },
  'above the window': (_body, check) => {
    const { max } = limitsWindow(check)
    return max === undefined ? undefined : reads(1.4 * max)
  },
  'without an instrument': (body) => body.instrument && { instrument: undefined },
  'with an instrument out of calibration': expired,
  'with an instrument for something else': ({ instrument }) =>
    instrument && { instrument: { ...instrument, accuracy: BRIGHTNESS } },
  'over range, where a greatest figure counts': (_body, check) =>
    limitsWindow(check).max === undefined ? undefined : { relation: '>' },
  'less than nothing': (body, { ask }) =>
    ['angle', 'length', 'torque', 'cable-length'].includes(ask.dimension)
      ? reads(-Math.abs(body.value) - 1)
      : undefined,
}
const DIMENSIONS = ['torque', 'length', 'angle', 'voltage', 'temperature', 'conductor-size', 'cable-length']

/** Sizes are read off the print of a cable; a tilt has no least, a voltage may have a sign. */
const NOT_OF = {
  angle: ['below the window'],
  'cable-length': ['below the window'],
  voltage: ['less than nothing'],
  temperature: ['less than nothing'],
  'conductor-size': [
    'without an instrument',
    'with an instrument out of calibration',
    'with an instrument for something else',
    'less than nothing',
  ],
}

const figures = DIMENSIONS.flatMap((dimension) =>
  Object.entries(FIGURE)
    .filter(([name]) => !NOT_OF[dimension]?.includes(name))
    .map(([name, change]) => ({
      name: `${dimension} ${name}`,
      plant: spoil('limits', change, ({ ask }) => ask.dimension === dimension),
    })),
)

/** What a string reads when something is wrong with it; `cause` is the story that must come first. */
const STRINGS = {
  'a module is missing': { share: (n) => (n - 1) / n, cause: 'missing-1' },
  'two modules are missing': { share: (n) => (n - 2) / n },
  'a module too many': { share: (n) => (n + 1) / n, cause: 'extra-1' },
  'the leads are exchanged': { share: () => -1, cause: 'reversed-leads' },
  'a module is backwards': { share: (n) => (n - 2) / n },
  'the string is open': { share: () => 0.0001, cause: 'open' },
}
const strings = Object.entries(STRINGS).map(([name, { share, cause }]) => ({
  name,
  cause,
  plant: spoil('string-open-circuit', (body, { subject }) => reads(body.value * share(subject.string.count))),
}))

const without =
  (...conditions) =>
  (body) => ({
    conditions: Object.fromEntries(
      Object.entries(body.conditions).filter(([name]) => !conditions.includes(name)),
    ),
  })
const at = (conditions) => (body) => ({ conditions: { ...body.conditions, ...conditions } })

const others = [
  ['voltage read without cell temperature', 'string-open-circuit', without('cellTemperature')],
  ['voltage read without irradiance', 'string-open-circuit', without('irradiance')],
  ['voltage read with no instrument', 'string-open-circuit', () => ({ instrument: undefined })],
  ['voltage noted at another temperature', 'string-open-circuit', at({ cellTemperature: -30 })],
  ['insulation too low', 'insulation', () => ({ ...reads(0.4), relation: '=' })],
  ['insulation only known to be below', 'insulation', () => ({ relation: '<' })],
  ['insulation tested too low', 'insulation', at({ testVoltage: 250 })],
  ['insulation tested at a voltage nobody noted', 'insulation', without('testVoltage')],
  ['insulation with no instrument', 'insulation', () => ({ instrument: undefined })],
  ['insulation in thousandths of an ohm', 'insulation', () => ({ ...reads(3e-7), relation: '=' })],
  ['short-circuit current too low', 'string-short-circuit', (body) => reads(0.7 * body.value)],
  ['short-circuit current too high', 'string-short-circuit', (body) => reads(1.4 * body.value)],
  ['short-circuit current without irradiance', 'string-short-circuit', without('irradiance')],
  ['bond of high resistance', 'earth-continuity', () => reads(2)],
  ['bond read with no instrument', 'earth-continuity', () => ({ instrument: undefined })],
  ['bond over range', 'earth-continuity', () => ({ relation: '>' })],
  ['answered no', 'observation', () => ({ seen: false })],
].map(([name, kind, change]) => ({ name, plant: spoil(kind, change) }))

export const READINGS = [
  ...figures,
  ...strings,
  ...others,
  {
    name: 'a photo that the sheet wants was not taken',
    plant: (site) => {
      const found = pick(site, ({ requirement }) => requirement.photo)
      if (found) found.entry.body = { ...found.entry.body, photos: undefined }
      return found !== undefined
    },
  },
  {
    name: 'a check was left out',
    plant: (site) => {
      const found = pick(site, () => true)
      return site.remove((entry) => entry === found.entry)
    },
  },
  {
    name: 'a reading was struck out',
    plant: (site) => {
      const found = pick(site, () => true)
      site.write('evidence-struck', { entryId: found.entry.id, reason: 'misread' })
      return true
    },
  },
  {
    name: 'read again later, and wrong',
    plant: (site) => {
      const found = pick(site, ({ requirement }) => requirement.kind === 'observation')
      site.write('observation', { ...found.entry.body, seen: false })
      return true
    },
  },
]
