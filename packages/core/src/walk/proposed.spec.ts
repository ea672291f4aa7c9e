import { proposalsIn } from '../as-built/proposal.js'
import { alikeTo } from '../entering/alike.js'
import { reinspectionJob } from '../entering/reinspection-job.js'
import { likeJob } from '../entering/like-job.js'
import { networkTemplate } from '../entering/network-templates.js'
import { ENTRY_ROWS } from '../job/entries/registry.js'
import { MODULE, Site, plane, row, sheet, string } from '../requirements/site.testing.js'
import { blockers } from '../sign-off/gate.js'

const part = (id: string, kind: string, more: object = {}) => ({
  kind: 'part-placed' as const,
  body: { id, label: id, kind, ...more } as never,
})
const cable = (from: string, to: string, more: object = {}) => ({
  kind: 'conductor-run' as const,
  body: {
    id: `${from}-${to}`,
    from,
    to,
    phases: 1,
    voltage: 230,
    size: 4,
    length: 5,
    insulation: 'pvc',
    method: 'C',
    ambient: 30,
    grouped: 1,
    ...more,
  } as never,
})
const confirm = (...things: { kind: string; id: string }[]) => ({
  kind: 'confirmed' as const,
  body: { things } as never,
})

describe('a cable', () => {
  const BOX = sheet('I', 'meter', [{ id: 'c', kind: 'conductor-size' }])
  const site = (more: object = {}) =>
    new Site()
      .unit(BOX)
      .write(
        part('grid', 'grid', { source: 20 }),
        part('q', 'device', { rating: 16 }),
        part('i', 'inverter', { unitId: 'I', source: 16 }),
      )
      .write(cable('grid', 'q'), cable('q', 'i', more))
  it.each([
    ['size', 'enter its size'],
    ['length', 'enter its length'],
    ['method', 'enter how it is laid'],
    ['ambient', 'enter the temperature of its warmest place'],
    ['grouped', 'enter how many circuits run together with it'],
  ])('of which nobody read the %s is not proven, and names it', (figure, wanting) =>
    expect(site({ [figure]: undefined }).check('I/c/q-i').outcome).toMatchObject({
      verdict: 'not-proven',
      wanting,
    }),
  )
  it('that was only proposed proves nothing, neither that it fits nor that it does not', () => {
    expect(site().says('I/c/q-i')).toContain('conforms')
    expect(site({ size: 1.5, method: 'A1' }).says('I/c/q-i')).toContain('does-not-conform')
    for (const size of [4, 1.5]) {
      const outcome = site({ size, method: 'A1', proposed: 'template' }).check('I/c/q-i').outcome
      expect(outcome).toMatchObject({
        verdict: 'not-proven',
        wanting: 'confirm on site what is only proposed: cable q to i',
      })
    }
  })
  it('becomes a fact by a touch, and a proposal again when that is taken back', () => {
    const proposed = site({ proposed: 'copy' }).write(confirm({ kind: 'conductor', id: 'q-i' }))
    expect(proposed.says('I/c/q-i')).toContain('conforms')
    expect(proposalsIn(proposed.inspection.state.asBuilt)).toEqual([])
    const before = site({ proposed: 'copy' }).inspection.state.asBuilt
    const steps = ENTRY_ROWS.confirmed.undo!({ things: [{ kind: 'conductor', id: 'q-i' }] }, before)
    expect(proposalsIn(proposed.write(...(steps as never[])).inspection.state.asBuilt)).toEqual([
      { kind: 'conductor', id: 'q-i', label: 'q to i', area: 'network' },
    ])
  })
  it('beside one that is proposed does not conform yet: what that carries is not known', () => {
    const beside = site().write(part('x', 'load', { proposed: 'template' }))
    expect(beside.check('I/c/q-i').outcome).toMatchObject({
      verdict: 'not-proven',
      wanting: 'confirm on site what is only proposed: part of the one-line x',
    })
  })
})

describe('what stands on a wall', () => {
  const BOX = sheet('U', 'dc-isolator', [
    { id: 'c', kind: 'clearance', clear: { left: '200 mm', right: '200 mm', top: '0 mm', bottom: '0 mm' } },
  ])
  const wall = { id: 'w', title: 'W', leftCorner: true, rightCorner: false, uncertainty: 1, tape: 'Tape' }
  const hung = (x: number, drawn?: string[]) =>
    new Site()
      .write({ kind: 'wall-measured', body: wall as never })
      .unit(BOX, { place: { wallId: 'w', x, y: 1000, w: 400, h: 500, ...(drawn && { drawn }) } as never })
  it('by a figure that was drawn proves nothing, until somebody measures or confirms it', () => {
    for (const x of [1000, 50])
      expect(hung(x, ['x', 'y']).check('U/c/left').outcome).toMatchObject({
        verdict: 'not-proven',
        wanting:
          'U: distance from the datum and height above the floor drawn, not measured: measure it, or confirm it',
      })
    expect(
      hung(1000, ['x'])
        .write(confirm({ kind: 'place', id: 'U' }))
        .says('U/c/left'),
    ).toContain('conforms')
    expect(
      hung(50, ['x'])
        .write(confirm({ kind: 'place', id: 'U' }))
        .says('U/c/left'),
    ).toContain('does-not-conform')
  })
  it('and leaves open what is beside it, as long as nobody knows where it stands', () => {
    const drawn = { id: 'o', label: 'pipe', class: 'pipe', x: 3000, y: 0, w: 50, h: 2000, drawn: ['x'] }
    const beside = hung(1000).write({
      kind: 'obstruction-measured',
      body: { wallId: 'w', obstruction: drawn } as never,
    })
    expect(beside.check('U/c/left').outcome.verdict).toBe('not-proven')
  })
})

describe('an untouched copy conforms in nothing that is read off it', () => {
  const BOX = sheet('I', 'hybrid-inverter', [
    { id: 'cold', kind: 'cold-limit', max: '1000 V' },
    { id: 'bond', kind: 'bonding', means: ['copper'] },
    { id: 'cab', kind: 'conductor-size' },
    { id: 'clear', kind: 'clearance', clear: { left: '1 mm', right: '1 mm', top: '1 mm', bottom: '0 mm' } },
  ])
  const built = () =>
    new Site({ coldest: -10 })
      .write({
        kind: 'wall-measured',
        body: {
          id: 'w',
          title: 'W',
          leftCorner: true,
          rightCorner: false,
          uncertainty: 1,
          tape: 'T',
        } as never,
      })
      .unit(MODULE)
      .unit(BOX, { serial: 'A', place: { wallId: 'w', x: 500, y: 900, w: 400, h: 500 } as never })
      .write(plane(1, 10), string(row(10)))
      .write(
        part('grid', 'grid', { source: 20 }),
        part('q', 'device', { rating: 16 }),
        part('i', 'inverter', { unitId: 'I', source: 16 }),
      )
      .write(cable('grid', 'q'), cable('q', 'i'))
      .write(
        { kind: 'earth-part-found', body: { id: 'e', label: 'E', kind: 'unit', unitId: 'I' } as never },
        { kind: 'earth-part-found', body: { id: 'm', label: 'M', kind: 'main-terminal' } as never },
        {
          kind: 'bond-made',
          body: { id: 'b', from: 'e', to: 'm', means: 'copper', size: 6, length: 3 } as never,
        },
      )
  const conforming = (site: Site) =>
    site.inspection.checks
      .filter(({ outcome }) => outcome.verdict === 'conforms')
      .map(({ check }) => check.id)
  const units = new Set(['M', 'I'] as never[])

  it('the original does', () => expect(conforming(built()).length).toBeGreaterThan(3))
  it.each(['like', 'again'] as const)('%s', (how) => {
    const { asBuilt } = built().inspection.state
    const site = new Site({ coldest: -10 }).knows(MODULE).knows(BOX)
    if (how === 'like') site.unit(MODULE).unit(BOX)
    site.write(...((how === 'like' ? likeJob : reinspectionJob)(asBuilt, units) as never[]))
    expect(conforming(site)).toEqual([])
    expect(blockers(site.inspection).some(({ kind }) => kind === 'proposal-open')).toBe(true)
    // One act of confirming makes facts of all of it; what was never copied is still asked for.
    site.write(confirm(...proposalsIn(site.inspection.state.asBuilt).map(({ kind, id }) => ({ kind, id }))))
    expect(conforming(site)).toEqual(expect.arrayContaining(['I/cold/s', 'I/cab/q-i']))
    expect(blockers(site.inspection).some(({ kind }) => kind === 'proposal-open')).toBe(false)
  })
  it('nor does one that was taken over from the unit beside it', () => {
    const site = built()
    const other = { id: 'J', label: 'J', sheetId: 'nobody-i-1' } as never
    site.write({ kind: 'unit-fitted', body: other })
    const alike = alikeTo(
      site.inspection.state.asBuilt.units.find(({ id }) => id === 'I')!,
      other,
      site.inspection.state.asBuilt,
      (of) => `${of}-2`,
    )
    site.write(...(alike.map(({ change }) => change) as never[]))
    expect(conforming(site).filter((id) => id.startsWith('J/'))).toEqual([])
  })
  it('nor the one-line of a template', () => {
    const site = new Site().unit(BOX, { serial: 'A' })
    let n = 0
    const { parts, conductors } = networkTemplate(
      'house',
      site.inspection.state.asBuilt.units,
      site.inspection.context.sheetOf,
      {
        school: 'iec',
        newId: () => `n${n++}`,
      },
    )
    site.write(
      ...parts.map((body) => ({ kind: 'part-placed' as const, body })),
      ...conductors.map((body) => ({ kind: 'conductor-run' as const, body })),
    )
    expect(conforming(site)).toEqual([])
  })
})

describe('a reason is a reason', () => {
  const BOX = sheet('I', 'hybrid-inverter', [])
  const said = (values: Record<string, string>, site = new Site().unit(BOX)) =>
    site
      .record('I/entered-one-line/unit', {
        values: Object.fromEntries(Object.entries(values).map(([id, typed]) => [id, { typed }])),
      })
      .check('I/entered-one-line/unit').outcome.verdict
  it.each([
    [{ reason: '?' }, 'not-proven'],
    [{ reason: '-', sentence: '...' }, 'not-proven'],
    [{ reason: 'no' }, 'not-proven'],
    [{ reason: 'it is not connected to the mains' }, 'conforms'],
    [{ reason: '?', sentence: 'Feeds the barn alone, seen with the owner' }, 'conforms'],
  ])('%j: %s', (values, verdict) => expect(said(values)).toBe(verdict))
  it('that what was entered contradicts is none', () => {
    const tied = new Site()
      .unit(BOX)
      .write(
        part('i', 'inverter', { unitId: 'I', source: 16 }),
        part('q', 'device', { rating: 16 }),
        cable('q', 'i'),
      )
    expect(said({ reason: 'it is not connected to the mains' }, tied)).toBe('not-proven')
  })
})

describe('nothing of it goes unsaid before a signature', () => {
  const BOX = sheet('I', 'meter', [{ id: 'o', kind: 'observation', question: 'Is it there?' }])
  it('a cable that no sheet asks for and that carries too much', () => {
    const site = new Site()
      .unit(BOX, { serial: 'A' })
      .write(part('grid', 'grid', { source: 89 }), part('q', 'device', { rating: 89 }), part('l', 'load'))
      .write(cable('grid', 'q', { size: 35 }), cable('q', 'l', { size: 10 }))
    expect(blockers(site.inspection).find(({ kind }) => kind === 'cable-unjudged')?.text).toMatch(
      /^cable q to l: no sheet asks for it, and it carries 89 A, may carry \d+ A$/,
    )
  })
  it('a scope that leaves out what was entered all the same', () => {
    const scoped = new Site({ scope: { outside: ['bonds', 'one-line'], reason: 'a battery was added' } })
      .unit(BOX, { serial: 'A' })
      .write(part('a', 'board'), part('b', 'load'), cable('a', 'b'))
    expect(
      blockers(scoped.inspection).flatMap(({ kind, text }) => (kind === 'scope-contradicted' ? [text] : [])),
    ).toEqual([
      'the one-line diagram, its cables and their protection: said to lie outside of the job, and entered all the same',
    ])
  })
})
