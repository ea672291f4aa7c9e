import fc from 'fast-check'
import { cutInTwo, type NetworkBuilt, type NetworkPart } from './one-line.js'
import { cable, part } from './network.testing.js'
import { Site, sheet } from '../requirements/site.testing.js'
import { networkLoads } from './network.js'
import { partLoads, protectionWords } from './part-loads.js'
import { wayToGrid } from './way-to-grid.js'

const HOUSE: NetworkBuilt = {
  parts: [
    part('grid', 'grid', { source: 63 }),
    part('fuse', 'device', { rating: 50 }),
    part('switch', 'isolator', { rating: 40 }),
    part('board', 'board', { rating: 63 }),
    part('loads', 'load'),
    part('breaker', 'device', { rating: 25 }),
    part('inverter', 'inverter', { source: 16 }),
  ],
  conductors: [
    cable('grid', 'fuse'),
    cable('fuse', 'switch'),
    cable('switch', 'board'),
    cable('board', 'loads'),
    cable('board', 'breaker'),
    cable('breaker', 'inverter'),
  ],
}
const of = (network: NetworkBuilt, id: string) => partLoads(network).find((one) => one.part.id === id)!

describe('what a part carries at worst', () => {
  it.each([
    [
      'a switch carries what its fuse lets through: it limits nothing itself',
      'switch',
      { carries: 50, mayCarry: 40, overloaded: true },
    ],
    [
      'the bars of a board carry all that can feed them, where something takes it',
      'board',
      { carries: 66, mayCarry: 63, overloaded: true },
    ],
    [
      'a protective device trips, and is never overloaded',
      'breaker',
      { carries: 16, mayCarry: 25, overloaded: false },
    ],
    ['a fuse passes no more than its rating', 'fuse', { carries: 50, overloaded: false }],
    [
      'an inverter carries what it drives',
      'inverter',
      { carries: 16, mayCarry: undefined, overloaded: false },
    ],
    ['loads can be given all of it', 'loads', { carries: 66, overloaded: false }],
  ])('%s', (_rule, id, said) => expect(of(HOUSE, id)).toMatchObject(said))
  it('the bars of a board carry no more than something takes: what comes in by a cable does not leave by it', () => {
    const limited = {
      parts: [...HOUSE.parts.filter(({ id }) => id !== 'loads'), part('loads', 'load', { rating: 10 })],
      conductors: HOUSE.conductors,
    }
    // 50 A for the inverter's 16 and the loads' 10, or the inverter's 16 out to the grid.
    expect(of(limited, 'board').carries).toBe(26)
  })
  it('a board with more cables than can be tried one way and the other is never said to carry too little', () => {
    const many = Array.from({ length: 14 }, (_, i) => part(`pv${i}`, 'generation', { source: 5 }))
    const wide = {
      parts: [...HOUSE.parts, ...many],
      conductors: [...HOUSE.conductors, ...many.map(({ id }) => cable('board', id))],
    }
    expect(of(wide, 'board').carries).toBe(50 + 16 + 14 * 5)
  })
  it('a part that nothing feeds carries nothing', () =>
    expect(of({ parts: [part('a', 'isolator', { rating: 10 })], conductors: [] }, 'a')).toMatchObject({
      carries: 0,
      overloaded: false,
    }))
})

describe('what protects a part', () => {
  it('is the nearest device on the way to the grid', () =>
    expect(['inverter', 'board', 'switch'].map((id) => of(HOUSE, id).protectedBy?.id)).toEqual([
      'breaker',
      'fuse',
      'fuse',
    ]))
  it('is named, also where nobody said its rating', () => {
    const unrated = {
      ...HOUSE,
      parts: HOUSE.parts.map((one) => (one.id === 'fuse' ? part('fuse', 'device') : one)),
    }
    expect(
      [of(HOUSE, 'board'), of(unrated, 'board'), of(HOUSE, 'grid')].map((load) =>
        String(protectionWords(load)),
      ),
    ).toEqual([
      'protected by fuse, 50 A',
      'protected by fuse, rating not entered',
      'no protective device between it and the grid',
    ])
  })
  it('is nothing where no way leads to the grid, or no device stands on it', () => {
    expect(of({ ...HOUSE, conductors: HOUSE.conductors.slice(1) }, 'board').protectedBy).toBeUndefined()
    expect(of(HOUSE, 'fuse').protectedBy).toBeUndefined()
  })
  it('the way is named from the part outwards', () =>
    expect(wayToGrid(HOUSE.parts.at(-1)!, HOUSE)!.map(({ id }) => id)).toEqual([
      'breaker',
      'board',
      'switch',
      'fuse',
      'grid',
    ]))
})

it('a part that is put into a cable changes nothing of what the rest carries, as long as it limits nothing', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: HOUSE.conductors.length - 1 }), (at) => {
      const cut = cutInTwo(HOUSE.conductors[at]!, 'new', { newId: 'piece' })
      const next: NetworkBuilt = {
        parts: [...HOUSE.parts, part('new', 'isolator')],
        conductors: [...HOUSE.conductors.filter((_, i) => i !== at), ...cut],
      }
      const before = new Map(networkLoads(HOUSE).map(({ conductor, carries }) => [conductor.id, carries]))
      for (const { conductor, carries } of networkLoads(next))
        expect(carries).toBe(before.get(conductor.id) ?? before.get(HOUSE.conductors[at]!.id))
      expect(of(next, 'new').carries).toBe(before.get(HOUSE.conductors[at]!.id))
    }),
    { seed: 3, numRuns: 30 },
  )
})

describe('the rule that a part carries no more than its rating', () => {
  const traced = (more: Partial<NetworkPart>) =>
    new Site().unit(sheet('R', 'installation', [{ id: 'r', kind: 'part-rating' }])).write(
      ...[
        part('grid', 'grid', { source: 63 }),
        part('fuse', 'device', { rating: 40 }),
        part('switch', 'isolator', more),
        part('board', 'board'),
      ].map((body) => ({ kind: 'part-placed' as const, body })),
      ...[cable('grid', 'fuse'), cable('fuse', 'switch'), cable('switch', 'board')].map((body) => ({
        kind: 'conductor-run' as const,
        body,
      })),
    )
  it('is kept, or broken', () => {
    expect(traced({ rating: 40 }).says('R/r/switch')).toBe('conforms: can carry 40 A of 40 A')
    expect(traced({ rating: 32 }).says('R/r/switch')).toBe('does-not-conform: can carry 40 A of 32 A')
  })
  it('is asked of every switch and board, and of no protective device; what nobody entered is asked for', () => {
    expect(traced({}).inspection.checks.map(({ check }) => check.id)).toEqual(['R/r/switch', 'R/r/board'])
    expect(traced({}).says('R/r/switch')).toBe('not-proven: can carry 40 A; its rating not entered')
    expect(traced({}).says('R/r/board')).toBe('not-proven: can carry 40 A; its rating not entered')
  })
  it('is not proven behind a source or a fuse of which nobody entered how much it lets through', () => {
    const unknown = (id: string, body: NetworkPart) =>
      traced({ rating: 63 }).write({ kind: 'part-placed', body }).says(`R/r/${id}`)
    expect(unknown('switch', part('fuse', 'device'))).toContain('not-proven')
    expect(unknown('switch', part('grid', 'grid'))).toContain('the current of grid not entered')
  })
})
