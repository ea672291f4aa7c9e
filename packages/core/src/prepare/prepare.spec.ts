import type { Instrument } from '../instrument/instrument.js'
import { ENTERED } from '../job/scope.js'
import { Site, sheet } from '../requirements/site.testing.js'
import { expectedDuration } from './duration.js'
import { kitFor } from './kit.js'
import { clashes, type Visit } from './visits.js'

const BOX = sheet(
  'B',
  'battery',
  [
    {
      id: 'torque',
      kind: 'limits',
      dimension: 'torque',
      min: '2 N·m',
      max: '3 N·m',
      stage: 'battery',
      tools: ['long bit'],
      needs: ['dead'],
    },
    {
      id: 'mains',
      kind: 'limits',
      dimension: 'voltage',
      min: '207 V',
      max: '253 V',
      stage: 'ac',
      needs: ['mains'],
    },
    {
      id: 'sun',
      kind: 'observation',
      question: 'Shaded?',
      stage: 'place-and-mount',
      when: { placed: 'outdoors' },
      needs: ['dry'],
      tools: ['ladder'],
    },
  ],
  { mass: '60 kg', equipment: ['gloves'], tools: ['frame'] },
)
const DRIVER: Instrument = {
  id: 'd',
  name: 'Driver',
  kind: 'torque-driver',
  serial: '1',
  calibratedUntil: '2026-11-30',
  accuracy: [{ dimension: 'torque', percent: 4, plus: 0 }],
}
const kit = (situation: 'indoors' | 'outdoors', day = '2026-11-25') => {
  const { checks, state, context } = new Site().unit(BOX, { situation: { placed: situation } }).inspection
  return kitFor(checks, state.asBuilt, context.sheetOf, [DRIVER], day)
}

describe('the kit follows from the checks', () => {
  it('instruments with the range that they are held against', () =>
    expect(
      kit('indoors').instruments.map(({ name, range, fitting }) => [name, range, fitting.length]),
    ).toEqual([
      ['multimeter', '207 V to 253 V', 0],
      ['torque driver', '2 N·m to 3 N·m', 1],
    ]))
  it('an instrument whose calibration is over on the day of the visit is marked', () => {
    expect(kit('indoors').instruments[1]!.fitting[0]!.expired).toBe(false)
    expect(kit('indoors', '2026-12-01').instruments[1]!.fitting[0]!.expired).toBe(true)
  })
  it('what does not apply brings nothing along', () => {
    expect(kit('indoors')).toMatchObject({
      tools: ['frame', 'long bit'],
      equipment: ['gloves'],
      conditions: [{ need: 'mains' }, { need: 'dead' }],
    })
    expect(kit('outdoors')).toMatchObject({
      tools: ['frame', 'ladder', 'long bit'],
      conditions: [{ need: 'dry' }, { need: 'mains' }, { need: 'dead' }],
    })
  })
  it('lifts by mass', () =>
    expect(kit('indoors').lifts).toEqual([{ name: 'B', mass: 60, people: 3, machine: true }]))
})

describe('the time follows from the checks', () => {
  // The sheet alone: what the kind of unit brings is outside.
  const small = () => new Site({ scope: { outside: [...ENTERED], reason: 'the sheet alone' } })
  const { checks } = small().unit(BOX, { situation: { placed: 'indoors' } }).inspection
  it('a figure for each kind, and arriving besides', () =>
    expect(expectedDuration(checks)).toEqual({
      minutes: 24,
      stages: [
        { stage: 'ac', checks: 1, minutes: 2 },
        { stage: 'battery', checks: 1, minutes: 2 },
      ],
    }))
  it('the office’s own figure counts instead', () =>
    expect(expectedDuration(checks, { limits: 10 }).minutes).toBe(40))
  it('two checks of one reading take its time once', () => {
    const twice = sheet(
      'B',
      'battery',
      [1, 2].map((n) => ({
        id: `r${n}`,
        point: 'same',
        kind: 'limits',
        dimension: 'voltage',
        min: `${n} V`,
      })),
    )
    expect(expectedDuration(small().unit(twice).inspection.checks).stages[0]).toMatchObject({ checks: 1 })
  })
  it('nothing to check takes no time', () => expect(expectedDuration([]).minutes).toBe(0))
})

describe('nobody is in two places', () => {
  const visit = (id: string, from: number, to: number, ...people: string[]): Visit => ({
    id,
    jobId: 'j',
    start: new Date(Date.UTC(2026, 0, 1, from)).toISOString(),
    end: new Date(Date.UTC(2026, 0, 1, to)).toISOString(),
    people: people.map((name) => ({ id: name, name })),
    purpose: 'look',
  })
  it.each<[string, Visit, string[]]>([
    ['within another', visit('new', 9, 10, 'ann'), ['ann']],
    ['around another', visit('new', 7, 13, 'ann', 'bo'), ['ann']],
    ['touching another', visit('new', 12, 14, 'ann'), []],
    ['at the same time, by somebody else', visit('new', 9, 10, 'bo'), []],
    ['itself, moved a little', visit('old', 9, 12, 'ann'), []],
  ])('%s', (_when, planned, who) =>
    expect(
      clashes(planned, [visit('old', 8, 12, 'ann')]).flatMap(({ people }) => people.map(({ name }) => name)),
    ).toEqual(who),
  )
})
