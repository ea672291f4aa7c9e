import type { NetworkBuilt, NetworkConductor, NetworkPart } from './one-line.js'
import { cable, part } from './network.testing.js'
import { sheet } from '../requirements/site.testing.js'
import { judgeNetworkConductor } from './network-checks.js'
import { networkLoads } from './network.js'
import { NETWORK_TEMPLATES, networkTemplate, type NetworkTemplate } from '../entering/network-templates.js'

const house = (more: Partial<NetworkBuilt> = {}): NetworkBuilt => ({
  parts: [
    part('grid', 'grid', { source: 63 }),
    part('fuse', 'device', { rating: 50 }),
    part('board', 'board'),
    part('loads', 'load'),
    part('breaker', 'device', { rating: 25 }),
    part('inverter', 'inverter', { source: 16 }),
    ...(more.parts ?? []),
  ],
  conductors: [
    cable('grid', 'fuse'),
    cable('fuse', 'board'),
    cable('board', 'loads'),
    cable('board', 'breaker'),
    cable('breaker', 'inverter'),
    ...(more.conductors ?? []),
  ],
})
const load = (network: NetworkBuilt, id: string) =>
  networkLoads(network).find(({ conductor }) => conductor.id === id)!

describe('what a cable carries', () => {
  it('is the sum of all that can feed it: grid, as its fuse limits it, and inverter', () =>
    expect(load(house(), 'board-loads')).toMatchObject({
      carries: 66,
      sources: [
        { name: 'grid', amps: 50 },
        { name: 'inverter', amps: 16 },
      ],
    }))
  it('towards an inverter is what the inverter itself can take or give', () =>
    expect(load(house(), 'breaker-inverter')).toMatchObject({ carries: 16, protectiveDevice: 25 }))
  it('from the grid is what its fuse lets through', () => expect(load(house(), 'grid-fuse').carries).toBe(50))
  it('does not grow by a second inverter where a device limits', () => {
    const two = house({
      parts: [part('b2', 'device', { rating: 20 }), part('loads2', 'load')],
      conductors: [cable('board', 'b2'), cable('b2', 'loads2')],
    })
    expect(load(two, 'b2-loads2')).toMatchObject({ carries: 20 })
    expect(load(two, 'board-b2')).toMatchObject({ carries: 20, limit: 20 })
  })
  it('the direction in which a cable was entered does not matter', () => {
    const turned = {
      ...house(),
      conductors: house().conductors.map((one) => ({ ...one, from: one.to, to: one.from })),
    }
    for (const { conductor, carries } of networkLoads(house()))
      expect(load(turned, conductor.id).carries).toBe(carries)
  })
  it('on the DC side of an inverter is what the battery gives, not what the grid does', () => {
    const stored = house({
      parts: [part('battery', 'battery', { source: 30 })],
      conductors: [cable('inverter', 'battery', { phases: 'dc' })],
    })
    expect(load(stored, 'inverter-battery')).toMatchObject({
      carries: 30,
      sources: [{ name: 'battery', amps: 30 }],
    })
    expect(load(stored, 'breaker-inverter').carries).toBe(16)
  })
  it('of a row of inverters adds up from the far end: what passes one is not limited by it', () => {
    const row = Array.from({ length: 14 }, (_, i) => part(`i${i}`, 'inverter', { source: 1.6 }))
    const chained = house({
      parts: row,
      conductors: row.map(({ id }, i) => cable(i === 0 ? 'breaker' : `i${i - 1}`, id)),
    })
    expect(load(chained, 'i12-i13').carries).toBeCloseTo(1.6)
    expect(load(chained, 'breaker-i0').carries).toBeCloseTo(14 * 1.6)
  })
  it('behind a backup unit is what its bypass lets through and what it drives itself', () => {
    const backup = house({
      parts: [part('kept', 'load')],
      conductors: [cable('inverter', 'kept')],
    })
    expect(load(backup, 'inverter-kept').carries).toBe(25 + 16)
  })
  it('of a loose end is nothing', () => {
    expect(
      load(house({ parts: [part('a', 'load'), part('b', 'load')], conductors: [cable('a', 'b')] }), 'a-b')
        .sources,
    ).toEqual([])
  })
})

describe('a cable of the model before the school of the job', () => {
  const judged = (network: NetworkBuilt, id: string, school: 'iec' | 'nec' = 'iec') =>
    judgeNetworkConductor(load(network, id), { school })
  const resized = (size: number) => ({
    ...house(),
    conductors: house().conductors.map((one) => ({ ...one, size, voltage: 240 })),
  })
  it('chosen for the grid alone fails where the inverter feeds it too', () => {
    const fails = judged(house(), 'board-loads')
    expect(fails).toMatchObject({ designCurrent: 66, ampacity: 46, verdict: 'does-not-conform' })
    expect(fails.notes.join()).toContain('several sources feed this conductor')
  })
  it.each([
    ['iec', 5.26, 4],
    ['iec', 8.37, 6],
    ['nec', 25, 4],
    ['nec', 6, 10],
    ['nec', 8.37, 8],
  ] as const)(
    'by %s a cable of %d mm² counts as %d, the size itself or the next smaller one',
    (school, size, as) => {
      const { notes, ampacity } = judged(resized(size), 'breaker-inverter', school)
      const said = notes.join()
      if (size === 8.37 && school === 'nec') expect(said).not.toContain('next smaller')
      else expect(said).toContain(`counts as ${as} ${school === 'iec' ? 'mm²' : 'AWG'}, the next smaller one`)
      expect(ampacity).toBeGreaterThan(0)
    },
  )
  it('is not proven where the size of the other system decides, and fails where the next larger one fails too', () => {
    // 25 A of breaker: 12 AWG carries 20, 10 AWG 30, by its breaker.
    expect(judged(resized(4), 'breaker-inverter', 'nec')).toMatchObject({
      verdict: 'not-proven',
      wanting: expect.stringContaining('print'),
    })
    expect(judged(resized(2.5), 'breaker-inverter', 'nec').verdict).toBe('does-not-conform')
    expect(judged(resized(10), 'breaker-inverter', 'nec').verdict).toBe('conforms')
  })
  it('smaller than any size of the table proves nothing', () =>
    expect(judged(resized(1), 'breaker-inverter').verdict).toBe('not-proven'))
})

describe('what protects a cable', () => {
  const branch = (between: NetworkPart[], more: Partial<NetworkConductor> = {}) => {
    const ids = ['board', ...between.map(({ id }) => id), 'end']
    return house({
      parts: [...between, part('end', 'load', { rating: 10 })],
      conductors: ids.slice(1).map((id, i) => cable(ids[i]!, id, { size: 1.5, ...more })),
    })
  }
  const judged = (network: NetworkBuilt, id: string) =>
    judgeNetworkConductor(load(network, id), { school: 'iec' })
  const without = (id: string, field: 'source' | 'rating') => {
    const network = house()
    return {
      ...network,
      parts: network.parts.map((one) => (one.id === id ? { ...one, [field]: undefined } : one)),
    }
  }
  it('is the fuse before the board, where nothing else stands between', () => {
    expect(judged(branch([]), 'board-end')).toMatchObject({
      verdict: 'does-not-conform',
      short: ['the cable carries less than its protective device lets through'],
    })
    expect(judged(branch([part('q', 'device', { rating: 10 })]), 'q-end').verdict).toBe('conforms')
  })
  it('is no isolator, and no breaker whose rating nobody entered', () => {
    expect(judged(branch([part('s', 'isolator', { rating: 16 })]), 's-end').verdict).toBe('does-not-conform')
    expect(judged(branch([part('q', 'device')]), 'q-end')).toMatchObject({
      verdict: 'not-proven',
      wanting: 'enter the rating of q',
    })
  })
  it('is looked for through isolators, boards and meters', () => {
    const far = branch([part('q', 'device', { rating: 10 }), part('b', 'board'), part('s', 'isolator')])
    expect(judged(far, 's-end').verdict).toBe('conforms')
  })
  it('is missing where an inverter hangs on a board without a breaker, unless its cable carries the fuse', () => {
    const bare = (size: number) =>
      house({ parts: [part('i', 'inverter', { source: 16 })], conductors: [cable('board', 'i', { size })] })
    expect(judged(bare(2.5), 'board-i').verdict).toBe('does-not-conform')
    expect(judged(bare(25), 'board-i').verdict).toBe('conforms')
  })
  it('is missing where a grid is reached through nothing', () => {
    const network: NetworkBuilt = {
      parts: [part('grid', 'grid', { source: 16 }), part('board', 'board')],
      conductors: [cable('grid', 'board')],
    }
    expect(judged(network, 'grid-board')).toMatchObject({
      verdict: 'does-not-conform',
      short: ['no protective device between it and grid'],
    })
  })
  it.each(['grid', 'inverter'])('a %s whose current nobody entered is not nothing', (id) => {
    expect(judged(without(id, 'source'), 'breaker-inverter')).toMatchObject({
      verdict: 'not-proven',
      wanting: `enter the current of ${id}`,
    })
  })
})

describe('what lasts, under the NEC school', () => {
  const us = (network: NetworkBuilt) => ({
    ...network,
    conductors: network.conductors.map((one) => ({ ...one, size: 5.26, voltage: 240 })),
  })
  const judged = (network: NetworkBuilt, id: string) =>
    judgeNetworkConductor(load(us(network), id), { school: 'nec' })
  it('a machine counts at 125 %: 16 A ask for a device of 20 A', () => {
    expect(
      judged(house(), 'breaker-inverter').checks.find(({ id }) => id === 'device-carries-design')!.verdict,
    ).toBe('conforms')
    const tight = house()
    tight.parts.find(({ id }) => id === 'breaker')!.rating = 18
    expect(
      judged(tight, 'breaker-inverter').checks.find(({ id }) => id === 'device-carries-design')!.verdict,
    ).toBe('does-not-conform')
  })
  it('what a device lets through is a rating, and is not raised', () => {
    const { checks, designCurrent } = judged(
      {
        parts: [
          part('grid', 'grid', { source: 100 }),
          part('fuse', 'device', { rating: 30 }),
          part('loads', 'load'),
        ],
        conductors: [cable('grid', 'fuse'), cable('fuse', 'loads')],
      },
      'fuse-loads',
    )
    expect([designCurrent, checks.find(({ id }) => id === 'device-carries-design')!.verdict]).toEqual([
      30,
      'conforms',
    ])
  })
  it('where both feed one cable, only the machine is raised', () =>
    expect(judged(house(), 'board-loads').designCurrent).toBe(50 + 1.25 * 16))
  it('of the two ends of a cable to a machine it is the machine that drives', () =>
    expect(load(house(), 'breaker-inverter').sources).toEqual([{ name: 'inverter', amps: 16 }]))
})

describe('the usual arrangements', () => {
  const units = [
    { id: 'i', label: 'Inverter', sheetId: 's' },
    { id: 'm', label: 'Meter', sheetId: 't' },
  ]
  const sheets = { i: sheet('I', 'hybrid-inverter', []), m: sheet('M', 'meter', []) }
  const made = (name: NetworkTemplate, school: 'iec' | 'nec') => {
    let n = 0
    return networkTemplate(name, units, (id) => sheets[id as 'i' | 'm'], { school, newId: () => `n${n++}` })
  }
  it.each(
    (Object.keys(NETWORK_TEMPLATES) as NetworkTemplate[]).flatMap((name) =>
      (['iec', 'nec'] as const).map((school) => [name, school] as const),
    ),
  )('%s, %s: one tree in which every cable is fed, every unit has its place', (name, school) => {
    const network = made(name, school)
    expect(network.conductors).toHaveLength(network.parts.length - 1)
    expect(networkLoads(network).every(({ sources }) => sources.length > 0)).toBe(true)
    expect(network.parts.flatMap(({ unitId }) => unitId ?? []).sort()).toEqual(['i', 'm'])
    for (const one of networkLoads(network)) expect(judgeNetworkConductor(one, { school })).toBeDefined()
  })
})
