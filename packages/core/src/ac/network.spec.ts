import fc from 'fast-check'
import type { NetworkBuilt } from './one-line.js'
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
  it('of a ring is followed once, and of a loose end is nothing', () => {
    const ring = house({ conductors: [cable('loads', 'breaker')] })
    expect(networkLoads(ring).every(({ carries }) => Number.isFinite(carries))).toBe(true)
    expect(
      load(house({ parts: [part('a', 'load'), part('b', 'load')], conductors: [cable('a', 'b')] }), 'a-b')
        .sources,
    ).toEqual([])
  })
})

describe('a cable of the model before the school of the job', () => {
  it('chosen for the grid alone fails where the inverter feeds it too', () => {
    const judged = judgeNetworkConductor(load(house({ parts: [], conductors: [] }), 'board-loads'), {
      school: 'iec',
    })!
    expect(judged).toMatchObject({ designCurrent: 66, ampacity: 46, verdict: 'does-not-conform' })
    expect(judged.notes.join()).toContain('several sources feed this conductor')
  })
  it('is judged by AWG under the other school', () =>
    expect(judgeNetworkConductor(load(house(), 'breaker-inverter'), { school: 'nec' })).toBeUndefined())
  it('with a size of that school it is', () => {
    const us = {
      ...house(),
      conductors: house().conductors.map((one) => ({ ...one, size: 8.37, voltage: 240 })),
    }
    expect(judgeNetworkConductor(load(us, 'breaker-inverter'), { school: 'nec' })).toMatchObject({
      verdict: 'conforms',
      ampacity: 50,
    })
  })
})

describe('what lasts, under the NEC school', () => {
  const us = (network: NetworkBuilt) => ({
    ...network,
    conductors: network.conductors.map((one) => ({ ...one, size: 5.26, voltage: 240 })),
  })
  const judged = (network: NetworkBuilt, id: string) =>
    judgeNetworkConductor(load(us(network), id), { school: 'nec' })!
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

it('a tree is worked out once for each edge, and comes to the same as following it anew every time', () => {
  const kinds = ['board', 'device', 'inverter', 'load', 'meter', 'isolator', 'generation', 'battery'] as const
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(), fc.constantFrom(...kinds), fc.integer({ min: 1, max: 80 })), {
        minLength: 1,
        maxLength: 14,
      }),
      (rows) => {
        const tree: NetworkBuilt = { parts: [part('p0', 'grid', { source: 63 })], conductors: [] }
        rows.forEach(([at, kind, amps], i) => {
          tree.parts.push(
            part(`p${i + 1}`, kind, {
              source: kind === 'inverter' || kind === 'generation' || kind === 'battery' ? amps : undefined,
              rating: kind === 'device' || kind === 'isolator' ? amps : undefined,
            }),
          )
          tree.conductors.push(cable(`p${at % (i + 1)}`, `p${i + 1}`))
        })
        // A ring somewhere else on the paper makes the same tree be followed without remembering anything.
        const ring: NetworkBuilt = {
          parts: [...tree.parts, part('x', 'load'), part('y', 'load')],
          conductors: [...tree.conductors, cable('x', 'y'), { ...cable('x', 'y'), id: 'second' }],
        }
        const anew = networkLoads(ring)
        networkLoads(tree).forEach((one, i) => expect(one).toEqual(anew[i]))
      },
    ),
    { seed: 11, numRuns: 200 },
  )
})
