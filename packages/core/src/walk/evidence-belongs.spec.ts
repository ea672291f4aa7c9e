import type { EntryBodies } from '../job/entries/registry.js'
import { METER, MODULE, Site, devices, plane, row, sheet, string } from '../requirements/site.testing.js'

const again = (site: Site, id: string) => {
  const { outcome } = site.check(id)
  return outcome.verdict === 'not-inspected' ? outcome.again : outcome.verdict
}
const wanting = (site: Site, id: string) => {
  const { outcome } = site.check(id)
  return outcome.verdict === 'not-proven' ? String(outcome.wanting) : outcome.verdict
}
const reading = (point: string, value: number, more: object = {}) => ({
  kind: 'reading' as const,
  body: {
    point,
    typed: `${value}`,
    value,
    unit: '',
    relation: '=' as const,
    instrument: METER,
    ...more,
  } as never,
})

describe('to its thing:', () => {
  const BOX = sheet('I', 'hybrid-inverter', [
    { id: 'voc', kind: 'string-open-circuit', max: '600 V' },
    { id: 'iso', kind: 'limits', title: 'Mains', dimension: 'voltage', max: '250 V' },
  ])
  const OTHER = sheet('N', 'module', [], { size: MODULE.size, module: MODULE.module })
  const conditions = { conditions: { cellTemperature: 25, irradiance: 1000 } }
  const wired = () =>
    new Site()
      .unit(MODULE, { serial: 'M-1' })
      .unit(OTHER)
      .unit(BOX)
      .write(plane(1, 10), string(row(10)))
  const read = () => wired().write(reading('I/voc/s', 400, conditions))

  it('a voltage holds while the modules are the same, also when the label of their plane is corrected', () =>
    expect(again(read().write(plane(1, 10, { label: 'South roof' })), 'I/voc/s')).toBe('conforms'))
  it('and is gone when the modules are exchanged, for another model or for others of the same', () => {
    const gone = 'the modules of the string were exchanged since'
    expect(again(read().write(plane(1, 10, { unitId: 'N' })), 'I/voc/s')).toBe(gone)
    expect(again(read().unit(MODULE, { serial: 'M-2' }), 'I/voc/s')).toBe(gone)
  })
  it('what was read before its unit or its string was entered counts for none that came later', () => {
    const early = new Site().unit(MODULE).write(reading('I/iso/unit', 230)).unit(BOX)
    expect(again(early, 'I/iso/unit')).toBe('it was taken before I was entered')
    const unwired = new Site()
      .unit(MODULE)
      .unit(BOX)
      .write(reading('I/voc/s', 400, conditions))
    expect(again(unwired.write(plane(1, 10), string(row(10))), 'I/voc/s')).toBe(
      'it was taken before the string was entered',
    )
  })
  it('nor what was read while it was taken away', () => {
    const site = wired().write({ kind: 'string-removed', body: { stringId: 's' } as never })
    site.write(reading('I/voc/s', 400, conditions), string(row(10)))
    expect(again(site, 'I/voc/s')).toBe('it was taken before the string was entered')
  })

  it('one serial stands on one plate', () => {
    const PLATE = (model: string) => sheet(model, 'meter', [{ id: 'n', kind: 'nameplate' }])
    const plates = (...serials: string[]) =>
      serials.reduce(
        (site, serial, i) =>
          site
            .unit(PLATE(`P${i}`))
            .record(`P${i}/n/unit`, { values: { model: { typed: `P${i}` }, serial: { typed: serial } } }),
        new Site(),
      )
    expect(again(plates('A-1', 'A-2'), 'P0/n/unit')).toBe('conforms')
    const twice = plates('A-1', 'a1')
    expect(wanting(twice, 'P0/n/unit')).toBe(
      'read the plates of P0 and P1 again: each has a serial of its own',
    )
    expect(wanting(twice, 'P1/n/unit')).toBe(
      'read the plates of P1 and P0 again: each has a serial of its own',
    )
  })
  it('one module is on one input of one box', () => {
    const BOXES = sheet('E', 'module-electronics', [{ id: 'p', kind: 'ports' }])
    const fed = (feeds: string[]) =>
      new Site()
        .unit(MODULE)
        .unit(BOXES)
        .write(
          plane(1, 4),
          devices('E', 1, () => ({ feeds })),
        )
        .says('E/p/b1')
    expect(fed(['p.r1c1', 'p.r1c2'])).toContain('conforms')
    expect(fed(['p.r1c1', 'p.r1c1'])).toMatch(
      /^does-not-conform: the module at .* is plugged into two inputs$/,
    )
  })
  it('one photo shows one place of a list', () => {
    const PHOTOS = sheet('U', 'meter', [
      {
        id: 'p',
        kind: 'photo-list',
        wanted: [
          { id: 'a', label: 'Front' },
          { id: 'b', label: 'Back' },
        ],
      },
    ])
    const taken = (a: object, b: object) => new Site().unit(PHOTOS).record('U/p/unit', { taken: { a, b } })
    const [one, other] = [
      { id: '1', sha256: 'f' },
      { id: '2', sha256: 'g' },
    ]
    expect(again(taken(one, other), 'U/p/unit')).toBe('conforms')
    for (const same of [one, { ...other, sha256: 'f' }])
      expect(wanting(taken(one, same), 'U/p/unit')).toBe('photograph each of Front and Back by itself')
  })

  it('the device of another unit says nothing about this one', () => {
    const SET = sheet('U', 'meter', [
      { id: 's', kind: 'settings', settings: [{ id: 'a', label: 'A', rule: { equals: 'on' } }] },
    ])
    const word = (device: object) => ({
      word: {
        device: {
          id: 'c',
          host: '',
          port: 1,
          unitId: 1,
          maker: 'X',
          model: 'Y',
          serial: '',
          firmware: '',
          simulated: true,
          ...device,
        },
        points: [{ part: 'a', point: 'x', register: 1, raw: '1', exponent: 0, at: '2026-06-01T08:00:00Z' }],
      },
    })
    const connected = (unitId: string) => ({
      kind: 'device-connected' as const,
      body: { id: 'c', unitId, host: '127.0.0.1', port: 502, address: 1 } as never,
    })
    const told = (device: object, unitId = 'U') =>
      new Site()
        .unit(SET, { serial: 'S-1' })
        .unit(sheet('V', 'meter', []))
        .write(connected(unitId))
        .record('U/s/unit', { values: { a: { typed: 'on' } } }, word(device))
    expect(again(told({ serial: 's1' }), 'U/s/unit')).toBe('conforms')
    expect(again(told({ serial: 'S-9' }), 'U/s/unit')).toBe('it was read off another device, X Y S-9')
    expect(again(told({}, 'V'), 'U/s/unit')).toBe('it was read off another device, X Y')
  })
})

describe('to its question:', () => {
  const pin = (revision: string) => ({
    id: `nobody-u-${revision}`,
    maker: 'Nobody',
    model: 'U',
    revision,
    fingerprint: 'f',
  })
  const adopted = (
    before: object,
    after: object,
    answer: (site: Site) => Site,
    late: (site: Site) => Site = (site) => site,
  ) =>
    late(
      answer(new Site({ sheets: [pin('1') as never] }).unit(sheet('U', 'meter', [{ id: 'q', ...before }])))
        .knows(sheet('U', 'meter', [{ id: 'q', ...after }], { revision: '2' }))
        .write({ kind: 'sheet-adopted', body: { sheet: pin('2'), replaces: 'nobody-u-1' } as never }),
    )
  const asks = (question: string) => ({ kind: 'observation', question })
  const changed = 'the sheet asked something else then (revision 1)'

  it('what was answered without signal to the old question does not answer the one that others adopted', () => {
    const seen = (sheetId?: string) => (site: Site) =>
      site.write({
        kind: 'observation',
        body: { point: 'U/q/unit', seen: true, sheetId } as EntryBodies['observation'],
      })
    const same = (site: Site) => site
    expect(again(adopted(asks('Is it on?'), asks('Is it off?'), same, seen('nobody-u-1')), 'U/q/unit')).toBe(
      changed,
    )
    expect(again(adopted(asks('Is it on?'), asks('Is it off?'), same, seen('nobody-u-2')), 'U/q/unit')).toBe(
      'conforms',
    )
    expect(again(adopted(asks('Is it on?'), asks('Is it on'), same, seen('nobody-u-1')), 'U/q/unit')).toBe(
      'conforms',
    )
  })
  const TEST = {
    kind: 'trace-test',
    do: ['unplug it'],
    event: 'the lead is out',
    watch: { label: 'inverter', dimension: 'power', from: { register: 1, type: 'u16', scale: 1 } },
    max: '0 W',
    tolerance: '100 W',
    within: '10 s',
    record: '60 s',
  }
  const traced = (site: Site) =>
    site.record('U/q/unit', {
      trace: { id: 't', sha256: 'f', samples: 80, startedAt: '2026-06-01T08:00:00Z', source: 'live' },
      channel: 'inverter',
      eventAt: 12,
      end: 72,
      by: { limit: 0, tolerance: 100, settleWithin: 10, must: 'stay-under' },
      found: {
        settledAt: 20,
        secondsOver: 8,
        peak: 6000,
        seen: {
          unit: 'W',
          from: 0,
          widestGap: 1,
          before: { least: 5000, most: 5000 },
          ever: { least: 0, most: 5000 },
        },
      },
    })
  it.each([
    ['what is done', { do: ['unplug the other'] }, changed],
    ['the event', { event: 'the lead is in' }, changed],
    ['what is watched', { watch: { ...TEST.watch, label: 'meter' } }, changed],
    [
      'the scale of its register',
      { watch: { ...TEST.watch, from: { register: 1, type: 'u16', scale: 10 } } },
      changed,
    ],
    ['only the remedy', { remedy: 'Another' }, 'conforms'],
  ])('a trace, where a revision changed %s: %s', (_what, change, said) =>
    expect(again(adopted(TEST, { ...TEST, ...change }, traced), 'U/q/unit')).toBe(said),
  )
  it('a scale of nothing is no scale', () =>
    expect(() =>
      sheet('U', 'meter', [
        { id: 'q', ...TEST, watch: { ...TEST.watch, from: { register: 1, type: 'u16', scale: 0 } } },
      ]),
    ).toThrow(expect.objectContaining({ path: 'requirements[0].watch.from.scale' })))
})

describe('to its time:', () => {
  const STEPS = sheet('U', 'meter', [
    {
      id: 's',
      kind: 'ordered-steps',
      steps: [
        { id: 'a', label: 'A' },
        { id: 'b', label: 'B', after: ['a'], wait: '60 s' },
      ],
    },
  ])
  type Done = { id: string; at: string }[]
  /** Entries of a site are a minute apart, from 08:00 on; `said` is what the clock of the device said then. */
  const recorded = (...all: { done: Done; ahead?: number }[]) => {
    const site = new Site().unit(STEPS)
    for (const { done, ahead = 0 } of all) {
      site.record('U/s/unit', { done })
      const entry = site.last
      if (ahead) entry.said = new Date(Date.parse(entry.at) + ahead * 1000).toISOString()
    }
    return site
  }
  const at = (clock: string) => `2026-06-01T${clock}.000Z`
  const a = { id: 'a', at: at('08:01:00') }

  it('a step that is dated after the entry that holds it proves nothing', () => {
    const steps = (b: string) =>
      recorded({
        done: [
          { id: 'a', at: at('07:00:00') },
          { id: 'b', at: at(b) },
        ],
      })
    expect(again(steps('07:30:00'), 'U/s/unit')).toBe('conforms')
    expect(wanting(steps('09:30:00'), 'U/s/unit')).toContain('dated after it was written down')
  })
  it('the clock of a second device does not hide a wait that was cut short', () => {
    // Twenty seconds after the first step by the true time, on a device that is forty seconds ahead.
    const hidden = recorded(
      { done: [a] },
      {
        done: [a, { id: 'b', at: at('08:02:00') }],
        ahead: 40,
      },
    )
    expect(hidden.says('U/s/unit')).toBe('does-not-conform: B came 40 s too soon after A')
    expect(
      again(
        recorded(
          { done: [a] },
          {
            done: [a, { id: 'b', at: at('08:02:00') }],
          },
        ),
        'U/s/unit',
      ),
    ).toBe('conforms')
  })
})
