import { expired, pick, spoil } from './readings.mjs'

const answer = (change) => (body, check, site) => {
  const next = change(structuredClone(body.answer), check, site)
  return next && { answer: next }
}
const field = (test, change) =>
  answer((given, check, site) => {
    const id = Object.keys(given.values).find((name) => test(name, check))
    if (id === undefined) return undefined
    const next = change(given.values[id], check, site)
    if (next === undefined) delete given.values[id]
    else given.values[id] = next
    return given
  })
const figure =
  (by) =>
  ({ value }) => ({ typed: `${by(value)}`, value: by(value) })
const typed = (said) => () => ({ typed: said })
const found = (change) =>
  answer((given, { requirement }) => ({ ...given, found: change(given.found, requirement) }))
const gone = () => undefined
const any = () => true
const is = (id) => (name) => name === id
const named = (pattern) => (name) => pattern.test(name)
const hasRule = (id, { requirement }) => requirement.settings.find((one) => one.id === id).rule !== undefined
const asked =
  (id) =>
  ({ requirement }) =>
    requirement.settings.some((one) => one.id === id)
const first = (given) => (given.values.splice(-1), given)

/** [what is wrong, on which kind of requirement, how the answer differs, on which of its checks] */
const ROWS = [
  [
    'a part is short',
    'counts',
    field(
      any,
      figure((n) => n - 1),
    ),
  ],
  ['a part was not counted', 'counts', field(any, gone)],
  ['another model was delivered', 'nameplate', field(is('model'), typed('ZZ-9'))],
  [
    'another serial was delivered',
    'nameplate',
    field(is('serial'), typed('OTHER-1')),
    ({ unit }) => unit.serial,
  ],
  ['the serial was not read', 'nameplate', field(is('serial'), gone)],
  ['a rating differs', 'nameplate', field(named(/^(grid|dc|energy)$/), typed('7 V'))],
  ['a setting is wrong', 'settings', field(hasRule, typed('something else'))],
  ['a setting was not read', 'settings', field(any, gone)],
  ['a setting is out of its range', 'settings', field(is('floor'), typed('45'))],
  ['a limit has the wrong sign', 'settings', field(is('limit'), typed('-6')), asked('limit')],
  ['forced charge lies above the floor', 'settings', field(is('forced'), typed('29')), asked('forced')],
  [
    'a battery is not counted',
    'settings',
    field(named(/^(batteries|count)$/), typed('4')),
    asked('batteries'),
  ],
  ['the region has another grid code', 'settings', field(is('code'), typed('EN 50549-1')), asked('region')],
  ['the clock is hours off', 'settings', field(is('clock'), typed('25200')), asked('clock')],
  [
    'it settled too late',
    'trace-test',
    found((facts, { within }) => ({ ...facts, settledAt: 10.5 + within })),
  ],
  ['it never settled', 'trace-test', found(({ secondsOver, peak }) => ({ secondsOver, peak }))],
  ['the device fell silent in the test', 'trace-test', answer((given) => ({ ...given, lostAt: 11 }))],
  [
    'the trace was judged by another limit',
    'trace-test',
    answer((given) => ({ ...given, by: { ...given.by, limit: given.by.limit + 1 } })),
  ],
  [
    'an alarm is shown',
    'alarm-codes',
    answer((_given, { requirement }) => ({ chosen: requirement.codes.find(({ mayStay }) => !mayStay).id })),
  ],
  ['an alarm that the table lacks', 'alarm-codes', answer(() => ({ chosen: '999' }))],
  [
    'a device was never seen',
    'roll-call',
    field(
      is('ever'),
      figure((n) => n - 1),
    ),
  ],
  [
    'a device fell silent',
    'roll-call',
    field(
      is('lately'),
      figure((n) => n - 1),
    ),
  ],
  ['the roll was not called', 'roll-call', field(is('ever'), gone)],
  [
    'the array brings too little',
    'production',
    field(
      is('power'),
      figure((power) => 0.7 * power),
    ),
  ],
  [
    'the array brings more than the light',
    'production',
    field(
      is('power'),
      figure((power) => 1.5 * power),
    ),
  ],
  ['the power was measured with nothing', 'production', () => ({ instrument: undefined })],
  ['the irradiance was not read', 'production', field(is('irradiance'), gone)],
  [
    'the loads are more than the backup port gives',
    'reserve',
    field(
      is('load'),
      figure((load) => 40 * load),
    ),
  ],
  ['the reserve was told to nobody', 'reserve', field(is('told'), gone)],
  [
    'the cable is too thick for the gland',
    'gland',
    field(
      is('diameter'),
      figure(() => 25),
    ),
  ],
  [
    'the cable is too thin for the gland',
    'gland',
    field(
      is('diameter'),
      figure(() => 7),
    ),
  ],
  ['nobody looked for the ring of the gland', 'gland', field(is('ring'), gone)],
  ['the cable was measured with nothing', 'gland', () => ({ instrument: undefined })],
  ['the wall is too weak', 'fixings', field(is('wall'), typed('another kind'))],
  ['the kind of wall was not said', 'fixings', field(is('wall'), gone)],
  [
    'a fixing is missing',
    'fixings',
    field(
      is('count'),
      figure((n) => n - 1),
    ),
  ],
  ['the fixings were not counted', 'fixings', field(is('count'), gone)],
  [
    'a hole is too wide',
    'fixings',
    field(
      is('diameter'),
      figure((d) => d + 3),
    ),
  ],
  [
    'a hole is too shallow',
    'fixings',
    field(
      is('depth'),
      figure((d) => d - 40),
    ),
  ],
  ['the depth of the holes was not measured', 'fixings', field(is('depth'), gone)],
  ['the holes were measured with nothing', 'fixings', () => ({ instrument: undefined })],
  ['a channel was not read', 'ct-proof', field(is('r2'), gone)],
  ['a voltage was not read', 'ct-proof', field(is('v1'), gone)],
  [
    'a transformer is turned round',
    'ct-proof',
    field(
      is('r3'),
      figure((p) => -p),
    ),
  ],
  ['two transformers are exchanged', 'ct-proof', answer(exchanged)],
  ['equal loads prove nothing', 'ct-proof', answer(equalLoads)],
  [
    'an address is used twice',
    'bus',
    answer((given) => (given.devices.forEach((one) => (one.address = 3)), given)),
  ],
  ['an address was not read', 'bus', answer((given) => (delete given.devices[0].address, given))],
  ['an address is out of range', 'bus', answer((given) => ((given.devices[0].address = 900), given))],
  ['a terminator is missing', 'bus', answer((given) => ((given.devices.at(-1).terminated = false), given))],
  ['A and B are crossed', 'bus', answer((given) => ((given.polarity = 'crossed'), given))],
  ['single wires for the bus', 'bus', answer((given) => ((given.cable = 'single-wires'), given))],
  ['the shield hangs free', 'bus', answer((given) => ((given.shield = 'not-earthed'), given))],
  ['too many devices on the bus', 'bus', answer(crowded)],
  ['the chain has no terminator', 'data-chain', answer((given) => ((given.terminators = []), given))],
  [
    'a lead of two cores',
    'data-chain',
    answer((given, { requirement }) => ((given.leads[0].lead = requirement.otherLeads[0]), given)),
  ],
  ['a lead is missing', 'data-chain', answer((given) => (given.leads.pop(), given))],
  ['a lead runs from in to out', 'data-chain', answer(turnedLead)],
  ['the leads close to a ring', 'data-chain', answer(ringed)],
  ['a switch is the wrong way', 'switch-bank', answer((given) => flipped(given))],
  [
    'a switch was not looked at',
    'switch-bank',
    answer((given) => (delete given.positions[Object.keys(given.positions)[0]], given)),
  ],
  ['bolts tightened out of order', 'tightening-order', answer((given) => (given.done.reverse(), given))],
  [
    'a pass is missing',
    'tightening-order',
    answer((given) => ((given.done = given.done.slice(0, -1)), given)),
  ],
  ['steps out of order', 'ordered-steps', answer(backwards)],
  ['a step was not recorded', 'ordered-steps', answer((given) => (given.done.pop(), given))],
  [
    'a wait was cut short',
    'ordered-steps',
    answer(hurried),
    ({ requirement }) => requirement.steps.some(({ wait }) => wait > 1),
  ],
  [
    'what was found is not allowed',
    'listed',
    answer((_given, { requirement }) => ({
      chosen: requirement.options.find((one) => !requirement.allowed.includes(one)),
    })),
  ],
  [
    'the indicator tells of a fault',
    'indicator',
    answer((_given, { requirement }) => ({ chosen: requirement.patterns.find(({ good }) => !good).id })),
  ],
  [
    'the arrow points the other way',
    'arrow-convention',
    answer(({ chosen }) => ({ chosen: chosen === 'grid' ? 'loads' : 'grid' })),
  ],
  ['it could not be stated', 'attestation', answer(() => ({ agreed: false }))],
  [
    'a photo is missing',
    'photo-list',
    answer((given) => (delete given.taken[Object.keys(given.taken)[0]], given)),
  ],
  [
    'a mark is off',
    'rail-marks',
    answer((given) => ((given.values[0] = { typed: '0', value: given.values[0].value + 30 }), given)),
  ],
  ['a mark was not read', 'rail-marks', answer(first)],
  ['the marks were read with nothing', 'rail-marks', () => ({ instrument: undefined })],
  [
    'a box did not raise the voltage',
    'safe-voltage',
    answer((given) => ((given.values[2] = given.values[1]), given)),
  ],
  ['a box was not plugged', 'safe-voltage', answer(first)],
  [
    'plus and minus of the boxes are exchanged',
    'safe-voltage',
    answer(
      (given) => (
        (given.values = given.values.map(({ value }) => ({ typed: `${-value}`, value: -value }))),
        given
      ),
    ),
  ],
  ['the boxes were read with nothing', 'safe-voltage', () => ({ instrument: undefined })],
  [
    'a box holds too much',
    'safe-voltage',
    answer(
      (given) => (
        (given.values = given.values.map(({ value }) => ({ typed: `${1.3 * value}`, value: 1.3 * value }))),
        given
      ),
    ),
  ],
]

const FIX = {
  'a transformer is turned round': 'turn round the transformer of channel 3',
  'two transformers are exchanged': 'swap the transformers of channels 1 and 2',
}

export const RECORDS = [
  ...ROWS.map(([name, kind, change, more]) => ({ name, plant: spoil(kind, change, more), fix: FIX[name] })),
  {
    name: 'an instrument out of calibration for a record',
    plant(site) {
      const found = pick(site, ({ requirement }) =>
        ['gland', 'fixings', 'rail-marks'].includes(requirement.kind),
      )
      found.entry.body = { ...found.entry.body, ...expired(found.entry.body) }
      return true
    },
  },
]

/** Channels 1 and 2 sit on each other's phase: each sees the other's current against its own voltage, 120° apart. */
function exchanged(given) {
  const seen = (load, sign) => [load * Math.cos((2 * Math.PI) / 3), sign * load * Math.sin((2 * Math.PI) / 3)]
  const [p1, p2] = [given.values.p1.value, given.values.p2.value]
  const [a, b] = [seen(p2, 1), seen(p1, -1)]
  const put = (name, value) => (given.values[name] = { typed: `${value}`, value })
  put('r1', a[0])
  put('q1', a[1])
  put('r2', b[0])
  put('q2', b[1])
  return given
}

function equalLoads(given) {
  for (const n of [1, 2, 3])
    for (const [name, value] of [
      ['p', 0],
      ['r', 0],
      ['q', 0],
    ])
      given.values[`${name}${n}`] = { typed: `${value}`, value }
  return given
}

function crowded(given, { requirement }) {
  if (!requirement.maxDevices) return undefined
  const [head, ...rest] = given.devices
  const more = Array.from({ length: requirement.maxDevices }, (_, i) => ({
    name: `X${i}`,
    address: 20 + i,
    terminated: false,
  }))
  return { ...given, devices: [head, ...more, ...rest] }
}

function turnedLead(given) {
  const [lead] = given.leads
  given.leads[0] = { ...lead, from: lead.to, to: lead.from }
  return given
}

function ringed(given, { requirement }) {
  const back = requirement.ports.find(({ box }) => box === requirement.ports[0].box)
  given.leads.push({ from: given.terminators[0], to: back.id, lead: given.leads[0].lead })
  return given
}

function flipped(given) {
  const [name] = Object.keys(given.positions)
  given.positions[name] = given.positions[name] === 'on' ? 'off' : 'on'
  return given
}

function backwards(given) {
  const times = given.done.map(({ at }) => at)
  return { done: given.done.map(({ id }, i) => ({ id, at: times[times.length - 1 - i] })) }
}

function hurried(given) {
  return {
    done: given.done.map(({ id }, i) => ({
      id,
      at: new Date(Date.UTC(2026, 5, 1, 12, 0, 0, i)).toISOString(),
    })),
  }
}
