import { limitOf } from '@plumb-mark/core'
import { limitsWindow, railMarks, stringVoltage } from './rules.mjs'
import { INSTRUMENT } from './site.mjs'

const photos = [{ id: 'p', sha256: 'f' }]

/** Answers every check that waits for something, rightly, with errors inside the uncertainty of the instruments. */
export function answerAll(site, only = () => true) {
  for (const judged of site.inspection().checks) {
    const { check, outcome } = judged
    if (outcome.verdict !== 'not-inspected' || check.ask.kind === 'derived' || !only(check)) continue
    const { kind, body } = answerTo(check, site)
    if (!site.find(kind, ({ point }) => point === check.point).length)
      site.write(kind, { point: check.point, ...body, ...(check.requirement.photo && { photos }) })
  }
}

function answerTo(check, site) {
  const { ask } = check
  if (ask.kind === 'observation') return { kind: 'observation', body: { seen: true } }
  if (ask.kind === 'reading') return { kind: 'reading', body: reading(check, site) }
  return { kind: 'record', body: { answer: ANSWERS[ask.form](check, site), instrument: INSTRUMENT } }
}

const CONDITIONS = ['cellTemperature', 'irradiance', 'testVoltage']

/** A figure as an instrument shows it: the true one and an error that its uncertainty covers. */
export function shown(value, dimension, chance) {
  const accuracy = INSTRUMENT.accuracy.find((one) => one.dimension === dimension)
  const uncertainty = accuracy ? (accuracy.percent / 100) * Math.abs(value) + accuracy.plus : 0
  return Number((value + 0.5 * uncertainty * chance.between(-1, 1)).toFixed(4))
}

function reading(check, site) {
  const { ask } = check
  const { chance } = site
  const conditions = {
    cellTemperature: chance.whole(5, 45),
    irradiance: chance.whole(500, 950),
    testVoltage: 1500,
  }
  const noted = Object.fromEntries(
    CONDITIONS.filter((one) => ask.conditions.includes(one)).map((one) => [one, conditions[one]]),
  )
  const { value, relation = '=' } = trueFigure(check, conditions, site)
  const figure =
    relation === '=' && ask.dimension !== 'conductor-size' ? shown(value, ask.dimension, chance) : value
  return {
    typed: `${figure}`,
    value: figure,
    unit: ask.unit ?? '',
    relation,
    // A size is read off the print of the cable.
    ...(ask.dimension !== 'conductor-size' && { instrument: INSTRUMENT }),
    ...(ask.conditions.length > 0 && { conditions: noted }),
  }
}

function trueFigure(check, conditions, site) {
  const { requirement, subject } = check
  switch (requirement.kind) {
    case 'limits': {
      const { min, max } = limitsWindow(check)
      if (min !== undefined && max !== undefined)
        return { value: requirement.window === 'conductor' ? min : (min + max) / 2 }
      return { value: min === undefined ? 0.4 * max : 1.4 * min + 0.1 }
    }
    case 'string-open-circuit':
    case 'polarity':
      return { value: stringVoltage(subject.string, conditions) }
    case 'string-short-circuit':
      return { value: (14.1 * conditions.irradiance) / 1000 }
    case 'insulation':
      return { value: 500, relation: '>' }
    case 'earth-continuity':
      return { value: 0.01 }
    default:
      throw new Error(`no figure for ${requirement.kind} on ${site.entries.length} entries`)
  }
}

const ANSWERS = {
  choice: ({ requirement }) => ({
    chosen:
      requirement.kind === 'listed'
        ? requirement.allowed[0]
        : requirement.kind === 'indicator'
          ? requirement.patterns.find(({ good }) => good).id
          : requirement.kind === 'alarm-codes'
            ? 'none'
            : requirement.means === 'to-loads'
              ? 'loads'
              : 'grid',
  }),
  fields: (check, site) => ({ values: FIELDS[check.requirement.kind](check, site) }),
  series: ({ requirement, ask, subject }, site) => ({
    values:
      requirement.kind === 'rail-marks'
        ? railMarks(subject.plane, requirement).map((value) => figure(shown(value, 'length', site.chance)))
        : ask.labels.map((_, i) => figure(shown((i + 1) * requirement.perUnit, 'voltage', site.chance))),
  }),
  order: ({ ask }) => ({
    done: Array.from({ length: ask.passes }, () => ask.items.map(({ id }) => id)).flat(),
  }),
  steps: ({ ask }) => ({
    done: ask.steps.map(({ id }, i) => ({
      id,
      at: new Date(Date.UTC(2026, 5, 1, 12, 16 * i)).toISOString(),
    })),
  }),
  trace: ({ requirement, ask }, { chance }) => ({
    trace: { id: 't', sha256: 'f', samples: 80, startedAt: '2026-06-01T12:00:00Z', source: 'live' },
    channel: ask.channel,
    eventAt: 10,
    end: 10 + requirement.record,
    by: limitOf(requirement),
    found: {
      settledAt: 10 + requirement.within * chance.between(0, 0.99),
      secondsOver: requirement.within / 2,
      peak: 6000,
    },
  }),
  switches: ({ requirement }) => ({
    positions: Object.fromEntries(requirement.switches.map(({ id, position }) => [id, position])),
  }),
  photos: ({ ask }) => ({ taken: Object.fromEntries(ask.wanted.map(({ id }) => [id, photos[0]])) }),
  statement: () => ({ agreed: true }),
  chain: ({ requirement: { ports, leads } }) => {
    const boxes = [...new Set(ports.map(({ box }) => box))]
    const of = (box, direction) => ports.find((port) => port.box === box && port.direction === direction)
    return {
      leads: boxes
        .slice(1)
        .map((box, i) => ({ from: of(boxes[i], 'out').id, to: of(box, 'in').id, lead: leads[0] })),
      terminators: [of(boxes.at(-1), 'out').id],
    }
  },
  bus: ({ requirement }) => ({
    devices: ['Inverter', 'Meter'].map((name, i) => ({
      name,
      address: i + 1,
      terminated:
        requirement.terminators === 'both-ends' || (requirement.terminators === 'far-end' && i === 1),
    })),
    cable: 'twisted-pair',
    polarity: 'a-to-a',
    shield: requirement.shield[0],
  }),
}

const figure = (value, said = `${value}`) => ({ typed: said, value })
const words = (typed) => ({ typed })

/** A value that a rule takes; anything where there is none. */
const middleOf = (rule) =>
  String(
    rule === undefined
      ? 'as it stands'
      : (rule.equals ?? rule.oneOf?.[0] ?? ((rule.min ?? rule.max - 2) + (rule.max ?? rule.min + 2)) / 2),
  )

const FIELDS = {
  counts: ({ requirement }) =>
    Object.fromEntries(requirement.items.map(({ id, count }) => [id, figure(count)])),
  nameplate: ({ ask }) =>
    Object.fromEntries(ask.fields.map(({ id, required }) => [id, words(String(required) || 'X-1')])),
  settings: ({ requirement: { settings, together = [] } }, site) => {
    const fitted = (kind) =>
      site.inspection().state.asBuilt.units.filter(({ sheetId }) => site.sheets.get(sheetId).kind === kind)
        .length
    const counted = together.filter(({ rule }) => rule === 'as-fitted')
    const goesWith = together.filter(({ rule }) => rule === 'goes-with')
    const found = Object.fromEntries(settings.map(({ id, rule }) => [id, words(middleOf(rule))]))
    for (const { a, kind } of counted) found[a] = words(String(fitted(kind)))
    for (const { a, b, is, with: those } of goesWith)
      if (is.includes(found[a].typed)) found[b] = words(those[0])
    return found
  },
  'roll-call': (_check, site) => {
    const { length } = site.inspection().state.asBuilt.array.devices
    return { ever: figure(length), lately: figure(length) }
  },
  production: ({ unit, requirement }, site) => {
    const irradiance = site.chance.whole(500, 950)
    const cell = site.chance.whole(10, 45)
    const { count, pmax, coefficient } = site.modulesOf(unit.id)
    const light = count * pmax * (irradiance / 1000) * (1 + (coefficient / 100) * (cell - 25)) * 0.95
    const power = Math.min(light, requirement.inverterMax ?? Infinity) * site.chance.between(0.97, 1.02)
    return {
      power: figure(Math.round(power), `${Math.round(power)} W`),
      irradiance: figure(irradiance),
      cell: figure(cell),
    }
  },
  reserve: () => ({ reserve: words('30'), load: figure(600, '600 W'), told: words('the customer') }),
  gland: ({ requirement, subject }) => {
    const { without } = requirement.glands.find(({ id }) => id === subject.id)
    return { diameter: figure((without.min + without.max) / 2), ring: words('taken out') }
  },
  fixings: ({ requirement }) => ({
    wall: words('concrete'),
    count: figure(requirement.count),
    ...Object.fromEntries(
      ['diameter', 'depth', 'spacing']
        .filter((name) => requirement[name])
        .map((name) => [
          name,
          figure(
            requirement[name].max
              ? (requirement[name].min + requirement[name].max) / 2
              : requirement[name].min + 20,
          ),
        ]),
    ),
  }),
  'ct-proof': (_check, { chance }) => {
    const loads = [1000, 2000, 3200]
    return Object.fromEntries(
      loads.flatMap((load, i) => [
        [`v${i + 1}`, figure(230)],
        [`p${i + 1}`, figure(load)],
        [`r${i + 1}`, figure(load + chance.whole(-15, 15))],
        [`q${i + 1}`, figure(chance.whole(-15, 15))],
      ]),
    )
  },
  presence: () => ({ reason: words('none here') }),
}
