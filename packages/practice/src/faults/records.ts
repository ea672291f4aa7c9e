import type { AnswerOf, Check, KindName } from '@plumb-mark/core'
import { as } from '../site/index.js'
import { besideFault, recordFault, type AnswerFault } from './fault.js'
import {
  atOnce,
  backwards,
  closedToARing,
  crowded,
  equalLoads,
  exchanged,
  otherWay,
  switched,
  turnedLead,
} from './rewired.js'

type Typed = { typed: string; value?: number | undefined }
type Values = AnswerOf<'fields'>['values']
type InField = (given: Typed) => Typed | undefined
const SLIP = { slip: true }

/** One field of several says something else, or was left out. */
const field = (
  name: string,
  kind: KindName,
  which: (id: string, check: Check) => boolean,
  change: InField,
  { more = () => true, ...rest }: { more?: (check: Check) => boolean; slip?: boolean; fix?: string } = {},
): AnswerFault =>
  recordFault<'fields'>(
    name,
    kind,
    ({ values }, check) => {
      const id = Object.keys(values).find((one) => which(one, check))
      if (id === undefined || !more(check)) return undefined
      const { [id]: was, ...others } = values
      const next = change(was!)
      return { values: (next ? { ...others, [id]: next } : others) as Values }
    },
    rest,
  )

const figure =
  (by: (value: number) => number, unit = ''): InField =>
  ({ value }) =>
    value === undefined ? undefined : { typed: `${by(value)}${unit && ` ${unit}`}`, value: by(value) }
const typed =
  (said: string): InField =>
  () => ({ typed: said })
const gone: InField = () => undefined
const any = () => true
const is = (id: string) => (name: string) => name === id
const named = (pattern: RegExp) => (name: string) => pattern.test(name)
const hasRule = (id: string, check: Check) =>
  as(check, 'settings').settings.find((one) => one.id === id)?.rule !== undefined
const asked = (id: string) => (check: Check) => as(check, 'settings').settings.some((one) => one.id === id)
const waits = (check: Check) => as(check, 'ordered-steps').steps.some(({ wait }) => (wait ?? 0) > 1)
const without = (name: string, kind: KindName) => besideFault(name, kind, () => ({ instrument: undefined }))

const FIELDS: AnswerFault[] = [
  field(
    'a part is short',
    'counts',
    any,
    figure((n) => n - 1),
  ),
  field('a part was not counted', 'counts', any, gone, SLIP),
  field('another model was delivered', 'nameplate', is('model'), typed('ZZ-9')),
  field('another serial was delivered', 'nameplate', is('serial'), typed('OTHER-1'), {
    more: ({ unit }) => unit.serial !== undefined,
  }),
  field('the serial was not read', 'nameplate', is('serial'), gone, SLIP),
  field('a rating differs', 'nameplate', named(/^(grid|dc|energy)$/), typed('7 V')),
  field('a setting is wrong', 'settings', hasRule, typed('something else')),
  field('a setting was not read', 'settings', any, gone, SLIP),
  field('a setting is out of its range', 'settings', is('floor'), typed('45')),
  field('a limit has the wrong sign', 'settings', is('limit'), typed('-6'), { more: asked('limit') }),
  field('forced charge lies above the floor', 'settings', is('forced'), typed('29'), {
    more: asked('forced'),
  }),
  field('a battery is not counted', 'settings', named(/^(batteries|count)$/), typed('4'), {
    more: asked('batteries'),
  }),
  field('the region has another grid code', 'settings', is('code'), typed('EN 50549-1'), {
    more: asked('region'),
  }),
  field('the clock is hours off', 'settings', is('clock'), typed('25200'), { more: asked('clock') }),
  field(
    'a device was never seen',
    'roll-call',
    is('ever'),
    figure((n) => n - 1),
  ),
  field(
    'a device fell silent',
    'roll-call',
    is('lately'),
    figure((n) => n - 1),
  ),
  field('the roll was not called', 'roll-call', is('ever'), gone, SLIP),
  field(
    'the array brings too little',
    'production',
    is('power'),
    figure((power) => Math.round(0.7 * power), 'W'),
  ),
  field(
    'the array brings more than the light',
    'production',
    is('power'),
    figure((power) => Math.round(1.5 * power), 'W'),
    SLIP,
  ),
  without('the power was measured with nothing', 'production'),
  field('the irradiance was not read', 'production', is('irradiance'), gone, SLIP),
  field(
    'the loads are more than the backup port gives',
    'reserve',
    is('load'),
    figure((load) => 40 * load, 'W'),
  ),
  field('the reserve was told to nobody', 'reserve', is('told'), gone, SLIP),
  field(
    'the cable is too thick for the gland',
    'gland',
    is('diameter'),
    figure(() => 25),
  ),
  field(
    'the cable is too thin for the gland',
    'gland',
    is('diameter'),
    figure(() => 7),
  ),
  field('nobody looked for the ring of the gland', 'gland', is('ring'), gone, SLIP),
  without('the cable was measured with nothing', 'gland'),
  field('the wall is too weak', 'fixings', is('wall'), typed('another kind')),
  field('the kind of wall was not said', 'fixings', is('wall'), gone, SLIP),
  field(
    'a fixing is missing',
    'fixings',
    is('count'),
    figure((n) => n - 1),
  ),
  field('the fixings were not counted', 'fixings', is('count'), gone, SLIP),
  field(
    'a hole is too wide',
    'fixings',
    is('diameter'),
    figure((d) => d + 3),
  ),
  field(
    'a hole is too shallow',
    'fixings',
    is('depth'),
    figure((d) => d - 40),
  ),
  field('the depth of the holes was not measured', 'fixings', is('depth'), gone, SLIP),
  without('the holes were measured with nothing', 'fixings'),
  field('a channel was not read', 'ct-proof', is('r2'), gone, SLIP),
  field('a voltage was not read', 'ct-proof', is('v1'), gone, SLIP),
  field(
    'a transformer is turned round',
    'ct-proof',
    is('r3'),
    figure((p) => -p),
    {
      fix: 'turn round the transformer of channel 3',
    },
  ),
  recordFault<'fields'>('two transformers are exchanged', 'ct-proof', exchanged, {
    fix: 'swap the transformers of channels 1 and 2',
  }),
  recordFault<'fields'>('equal loads prove nothing', 'ct-proof', equalLoads, SLIP),
]

type Trace = AnswerOf<'trace'>
const traced = (name: string, found: (was: Trace['found'], within: number) => Trace['found']) =>
  recordFault<'trace'>(name, 'trace-test', (given, check) => ({
    ...given,
    found: found(given.found, as(check, 'trace-test').within),
  }))
const choice = (
  name: string,
  kind: KindName,
  chosen: (was: string, check: Check) => string | undefined,
  more = {},
) =>
  recordFault<'choice'>(
    name,
    kind,
    (given, check) => {
      const next = chosen(given.chosen, check)
      return next === undefined ? undefined : { chosen: next }
    },
    more,
  )
const bus = (
  name: string,
  change: (given: AnswerOf<'bus'>, check: Check) => Partial<AnswerOf<'bus'>> | undefined,
  more = {},
) =>
  recordFault<'bus'>(
    name,
    'bus',
    (given, check) => {
      const next = change(given, check)
      return next && { ...given, ...next }
    },
    more,
  )
const chain = (
  name: string,
  change: (given: AnswerOf<'chain'>, check: Check) => Partial<AnswerOf<'chain'>>,
) => recordFault<'chain'>(name, 'data-chain', (given, check) => ({ ...given, ...change(given, check) }))
const withoutFirst = <T>(all: Record<string, T>): Record<string, T> =>
  Object.fromEntries(Object.entries(all).slice(1))

const PARTS: AnswerFault[] = [
  traced('it settled too late', (facts, within) => ({ ...facts, settledAt: 10.5 + within })),
  traced('it never settled', ({ secondsOver, peak }) => ({ secondsOver, peak })),
  recordFault<'trace'>(
    'the device fell silent in the test',
    'trace-test',
    (given) => ({ ...given, lostAt: 11 }),
    SLIP,
  ),
  recordFault<'trace'>(
    'the trace was judged by another limit',
    'trace-test',
    (given) => ({ ...given, by: { ...given.by, limit: given.by.limit + 1 } }),
    SLIP,
  ),
  choice(
    'an alarm is shown',
    'alarm-codes',
    (_was, check) => as(check, 'alarm-codes').codes.find(({ mayStay }) => !mayStay)?.id,
  ),
  choice('an alarm that the table lacks', 'alarm-codes', () => '999', SLIP),
  choice('what was found is not allowed', 'listed', (_was, check) => {
    const { options, allowed } = as(check, 'listed')
    return options.find((one) => !allowed.includes(one))
  }),
  choice(
    'the indicator tells of a fault',
    'indicator',
    (_was, check) => as(check, 'indicator').patterns.find(({ good }) => !good)?.id,
  ),
  choice('the arrow points the other way', 'arrow-convention', (was) => (was === 'grid' ? 'loads' : 'grid')),
  bus('an address is used twice', ({ devices }) => ({
    devices: devices.map((one) => ({ ...one, address: 3 })),
  })),
  bus(
    'an address was not read',
    ({ devices }) => ({ devices: devices.map((one, i) => (i === 0 ? { ...one, address: undefined } : one)) }),
    SLIP,
  ),
  bus('an address is out of range', ({ devices }) => ({
    devices: devices.map((one, i) => (i === 0 ? { ...one, address: 900 } : one)),
  })),
  bus('a terminator is missing', ({ devices }) => ({
    devices: devices.map((one, i) => (i === devices.length - 1 ? { ...one, terminated: false } : one)),
  })),
  bus('A and B are crossed', () => ({ polarity: 'crossed' })),
  bus('single wires for the bus', () => ({ cable: 'single-wires' })),
  bus('the shield hangs free', () => ({ shield: 'not-earthed' })),
  bus('too many devices on the bus', crowded),
  chain('the chain has no terminator', () => ({ terminators: [] })),
  chain('a lead of two cores', ({ leads }, check) => ({
    leads: leads.map((one, i) => (i === 0 ? { ...one, lead: as(check, 'data-chain').otherLeads[0]! } : one)),
  })),
  chain('a lead is missing', ({ leads }) => ({ leads: leads.slice(0, -1) })),
  chain('a lead runs from in to out', turnedLead),
  chain('the leads close to a ring', closedToARing),
  recordFault<'switches'>('a switch is the wrong way', 'switch-bank', switched),
  recordFault<'switches'>(
    'a switch was not looked at',
    'switch-bank',
    ({ positions }) => ({ positions: withoutFirst(positions) }),
    SLIP,
  ),
  recordFault<'order'>('bolts tightened out of order', 'tightening-order', ({ done }) => ({
    done: [...done].reverse(),
  })),
  recordFault<'order'>('a pass is missing', 'tightening-order', ({ done }) => ({ done: done.slice(0, -1) })),
  recordFault<'steps'>('steps out of order', 'ordered-steps', backwards),
  recordFault<'steps'>('a step was not recorded', 'ordered-steps', ({ done }) => ({
    done: done.slice(0, -1),
  })),
  recordFault<'steps'>('a wait was cut short', 'ordered-steps', (given, check) =>
    waits(check) ? atOnce(given) : undefined,
  ),
  recordFault<'statement'>('it could not be stated', 'attestation', () => ({ agreed: false })),
  recordFault<'photos'>(
    'a photo is missing',
    'photo-list',
    ({ taken }) => ({ taken: withoutFirst(taken) }),
    SLIP,
  ),
]

type Series = AnswerOf<'series'>
const series = (
  name: string,
  kind: KindName,
  change: (values: Series['values']) => Series['values'],
  more = {},
) => recordFault<'series'>(name, kind, ({ values }) => ({ values: change(values) }), more)
const times = (factor: number) => (values: Series['values']) =>
  values.map(({ value }) => ({ typed: `${factor * value}`, value: factor * value }))

const SERIES: AnswerFault[] = [
  series('a mark is off', 'rail-marks', ([first, ...rest]) => {
    const value = first!.value + 30
    return [{ typed: `${value}`, value }, ...rest]
  }),
  series('a mark was not read', 'rail-marks', (values) => values.slice(0, -1), SLIP),
  without('the marks were read with nothing', 'rail-marks'),
  series('a box did not raise the voltage', 'safe-voltage', (values) =>
    values.map((one, i) => (i === 2 ? values[1]! : one)),
  ),
  series('a box was not plugged', 'safe-voltage', (values) => values.slice(0, -1), SLIP),
  series('plus and minus of the boxes are exchanged', 'safe-voltage', times(-1)),
  without('the boxes were read with nothing', 'safe-voltage'),
  series('a box holds too much', 'safe-voltage', times(1.3)),
  field(
    'solar reads the wrong way round',
    'power-balance',
    is('solar2'),
    figure((power) => -power, 'W'),
  ),
]

export const RECORD_FAULTS: readonly AnswerFault[] = [
  ...FIELDS,
  ...PARTS,
  ...SERIES,
  recordFault<'switches'>('every switch is the wrong way', 'switch-bank', otherWay),
]
