import type { EntryBodies } from '../../job/entries/registry.js'
import { Site, TAPE, sheet } from '../site.testing.js'

const CLEAR = { left: '200 mm', right: '200 mm', top: '100 mm', bottom: '100 mm' }
const asks = (more: object = {}) => ({ id: 'c', kind: 'clearance', clear: CLEAR, ...more })
const BOX = sheet('U', 'hybrid-inverter', [asks()])
const OTHER = sheet('V', 'hybrid-inverter', [asks()])

type Wall = Partial<EntryBodies['wall-measured']>
const wall = (more: Wall = {}) => ({
  kind: 'wall-measured' as const,
  body: {
    id: 'w',
    title: 'W',
    width: 4000,
    height: 2500,
    leftCorner: true,
    rightCorner: true,
    uncertainty: 2,
    tape: 'Tape',
    ...more,
  },
})
const at = (x: number, more: object = {}) => ({
  place: { wallId: 'w', x, y: 1000, w: 400, h: 500, ...more },
})
const obstruction = (of: string, x: number) => ({
  kind: 'obstruction-measured' as const,
  body: { wallId: 'w', obstruction: { id: 'o', label: 'thing', class: of, x, y: 1000, w: 100, h: 100 } },
})

describe('a wall', () => {
  const told = (more: Wall) => new Site().write(wall(more)).unit(BOX, at(1000))
  it('measured with a named tape is judged', () => expect(told({}).says('U/c/left')).toContain('conforms'))
  it('measured with nothing in particular proves nothing, and can still condemn', () => {
    expect(told({ tape: undefined }).check('U/c/left').outcome).toMatchObject({
      verdict: 'not-proven',
      wanting: 'name the tape that the wall was measured with',
    })
    const tight = new Site().write(wall({ tape: undefined })).unit(BOX, at(100))
    expect(tight.says('U/c/left')).toContain('does-not-conform')
  })
  it('measured with a tape out of calibration proves nothing', () =>
    expect(told({ instrument: { ...TAPE, calibratedUntil: '2026-05-31' } }).says('U/c/left')).toContain(
      'not-proven',
    ))
  it('with a right corner and no width leaves the right side open', () => {
    expect(told({ width: undefined }).check('U/c/right').outcome).toMatchObject({
      verdict: 'not-proven',
      wanting: 'enter the width of the wall',
    })
    expect(told({ width: undefined, rightCorner: false }).says('U/c/right')).toContain('conforms')
  })
})

describe('a gap that was measured and contradicts the offsets', () => {
  const two = (value: number, x = 1700) =>
    new Site()
      .write(wall())
      .unit(BOX, at(1000))
      .unit(OTHER, at(x))
      .write({
        kind: 'gap-measured',
        body: {
          wallId: 'w',
          gap: { id: 'g', from: 'U', to: 'V', axis: 'across', value, typed: `${value} mm` },
        },
      })
  it('proves nothing until it is settled which is wrong', () => {
    expect(two(90).check('U/c/right').outcome).toMatchObject({
      verdict: 'not-proven',
      finding: 'U to V: 90 mm measured, 300 mm by the offsets',
    })
    expect(two(90).says('V/c/left')).toContain('not-proven')
    expect(two(301).says('U/c/right')).toContain('conforms')
  })
  it('casts its doubt on the other sides of both, as far as it reaches', () => {
    expect(two(90).says('U/c/left')).toContain('conforms')
    const near = new Site().write(wall()).unit(BOX, at(300)).unit(OTHER, at(1000))
    const gap = { id: 'g', from: 'U', to: 'V', axis: 'across' as const, value: 90, typed: '90 mm' }
    expect(near.write({ kind: 'gap-measured', body: { wallId: 'w', gap } }).says('U/c/left')).toContain(
      'not-proven',
    )
  })
  it('fails where both are short', () =>
    expect(two(90, 1550).says('U/c/right')).toContain('does-not-conform'))
})

describe('several clearance requirements of one sheet', () => {
  const both = (...more: object[]) =>
    new Site()
      .write(wall())
      .unit(
        sheet('U', 'hybrid-inverter', [asks(), ...more.map((one, i) => asks({ id: `d${i}`, ...one }))]),
        at(300),
      )
  it('are each judged by their own figures', () => {
    const site = both({ clear: { ...CLEAR, left: '350 mm' } })
    expect([site.says('U/c/left'), site.says('U/d0/left')]).toEqual([
      'conforms: 300 mm to the left corner',
      'does-not-conform: 300 mm to the left corner, short by 50 mm',
    ])
  })
  it('apply under their own conditions', () => {
    const site = both({ clear: { ...CLEAR, left: '350 mm' }, when: { fitted: 'battery' } })
    expect(site.check('U/d0/left').outcome.verdict).toBe('not-applicable')
  })
  it('the strictest governs towards a neighbour', () => {
    const strict = sheet('U', 'hybrid-inverter', [asks(), asks({ id: 'd', neighbour: { rule: 'sum' } })])
    const site = new Site().write(wall()).unit(strict, at(300)).unit(OTHER, at(1000))
    expect(site.says('V/c/left')).toBe('does-not-conform: 300 mm to U, short by 100 mm')
  })
})

describe('what a unit keeps away from', () => {
  const near = (of: string, x: number) =>
    new Site()
      .write(wall())
      .unit(
        sheet('U', 'hybrid-inverter', [asks({ keepOut: [{ from: 'gas pipe', distance: '600 mm' }] })]),
        at(1000),
      )
      .write(obstruction(of, x))
  it('is found however its class is written', () =>
    expect(near('Gas-Pipe', 1700).says('U/c/keep-out')).toBe('does-not-conform: thing too near by 300 mm'))
  it('is told with its distance', () =>
    expect(near('gas pipe', 2100).says('U/c/keep-out')).toBe('conforms: thing at 700 mm'))
  it('of a class that nobody knows proves nothing', () =>
    expect(near('thingummy', 3000).says('U/c/keep-out')).toContain('not-proven'))
  it('may be absent, and then that is said', () =>
    expect(near('window', 1700).says('U/c/keep-out')).toBe('conforms: no gas pipe is entered on this wall'))
})

it('the height of the lower edge is told as it was measured', () =>
  expect(
    new Site()
      .write(wall())
      .unit(sheet('U', 'hybrid-inverter', [asks({ base: { min: '900 mm' } })]), at(1000))
      .says('U/c/base'),
  ).toBe('conforms: lower edge at 1000 mm'))

describe('what was placed by its corners on a photo', () => {
  const seen = { photoId: 'p', x: 12, y: 8 }
  /** 200 mm are required to the left; the photo knows the left edge to 12 mm, the tape a gap to 2 mm. */
  const hung = (x: number, more: object = { seen }) =>
    new Site().write(wall()).unit(BOX, { place: { ...at(x).place, ...more } })
  it('conforms only clear of what the photo can tell, and else asks for the tape', () => {
    expect(hung(213).says('U/c/left')).toContain('conforms')
    expect(hung(208).check('U/c/left').outcome).toMatchObject({
      verdict: 'not-proven',
      wanting: 'only 8 mm to spare, and the photo tells this gap to 12.1 mm: measure it with the tape',
    })
    expect(hung(192).check('U/c/left').outcome).toMatchObject({
      verdict: 'not-proven',
      wanting: 'short by 8 mm, and the photo tells this gap to 12.1 mm: measure it with the tape',
    })
    expect(hung(187).says('U/c/left')).toContain('does-not-conform')
  })
  it('in a direction that was taken with the tape since is as sure as the tape', () =>
    expect(hung(203, { seen: { photoId: 'p', y: 8 } }).says('U/c/left')).toContain('conforms'))
  it('counts as it stands where the job accepts a doubtful measure', () =>
    expect(
      new Site({ rule: 'simple' })
        .write(wall())
        .unit(BOX, { place: { ...at(201).place, seen } })
        .says('U/c/left'),
    ).toContain('conforms'))
  const gap = (value: number) => ({
    kind: 'gap-measured' as const,
    body: {
      wallId: 'w',
      gap: { id: 'g', from: 'left-corner', to: 'U', axis: 'across' as const, value, typed: `${value} mm` },
    },
  })
  it('is judged by the gap that the tape was held in, where the two agree', () => {
    expect(hung(208).write(gap(204)).says('U/c/left')).toBe('conforms: 204 mm to the left corner')
    expect(hung(208).write(gap(197)).says('U/c/left')).toContain('does-not-conform')
    expect(hung(208).write(gap(201)).check('U/c/left').outcome.verdict).toBe('not-proven')
  })
  it('proves nothing where the tape says otherwise by more than the photo can be off', () =>
    expect(hung(308).write(gap(204)).says('U/c/left')).toContain('not-proven'))
  it('of two neighbours both are counted', () => {
    const two = new Site()
      .write(wall())
      .unit(BOX, { place: { ...at(1000).place, seen } })
      .unit(OTHER, { place: { ...at(1616).place, seen } })
    expect(two.check('U/c/right').outcome).toMatchObject({ verdict: 'not-proven' })
    expect(two.check('U/c/right').outcome).toMatchObject({
      wanting: 'only 16 mm to spare, and the photo tells this gap to 17 mm: measure it with the tape',
    })
  })
})
