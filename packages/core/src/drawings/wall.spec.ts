import type { WallBuilt } from '../as-built/wall.js'
import type { UnitBuilt } from '../as-built/unit.js'
import { measureWall } from '../requirements/mounting/measured-wall.js'
import { NOTHING_BUILT, type AsBuilt } from '../as-built/as-built.js'
import { BOX, SHEETS } from '../admission/sample-job.testing.js'
import { wallDrawing } from './wall.js'
import { wallSvg } from './wall-svg.js'

const unit = (id: string, x: number): UnitBuilt => ({
  id,
  label: `Box ${id}`,
  sheetId: 'nobody-box-1',
  place: { wallId: 'w', x, y: 900, w: 400, h: 500 },
})
const wall: WallBuilt = {
  id: 'w',
  title: 'North <wall>',
  width: 3000,
  height: 2400,
  leftCorner: true,
  rightCorner: false,
  uncertainty: 2,
  gaps: [],
  obstructions: [{ id: 'o', label: 'riser', class: 'pipe', x: 2000, y: 0, w: 60, h: 2400 }],
}
const drawn = (units: UnitBuilt[], on: WallBuilt = wall) => {
  const asBuilt: AsBuilt = {
    units,
    walls: [on],
    strings: [],
    array: NOTHING_BUILT.array,
    earth: NOTHING_BUILT.earth,
    network: NOTHING_BUILT.network,
    connections: [],
  }
  return wallDrawing(
    measureWall(on, asBuilt, {
      sheetOf: ({ sheetId }) => SHEETS.get(sheetId),
      applies: () => true,
      rule: 'guarded',
    }),
    (id) => units.find((one) => one.id === id)?.label ?? id,
  )
}

it('a gap between two units is dimensioned once, with what was measured, required and short', () => {
  const lines = drawn([unit('a', 300), unit('b', 760)]).dimensions.filter(({ upright }) => !upright)
  expect(lines.map(({ id, measured, required, shortBy }) => ({ id, measured, required, shortBy }))).toEqual([
    { id: 'a/left', measured: 300, required: 100, shortBy: 0 },
    { id: 'a/right', measured: 60, required: 100, shortBy: 40 },
    { id: 'b/right', measured: 840, required: 100, shortBy: 0 },
  ])
  expect(lines[1]).toMatchObject({
    from: { x: 700 },
    to: { x: 760 },
    rule: 'larger',
    verdict: 'does-not-conform',
  })
})

it('a line stands where both extents overlap, and ends at what governs', () => {
  const low: UnitBuilt = { ...unit('b', 760), place: { wallId: 'w', x: 760, y: 1200, w: 400, h: 500 } }
  const line = drawn([unit('a', 300), low]).dimensions.find(({ id }) => id === 'a/right')!
  expect(line.from.y).toBe(1300)
})

it('every unit has its envelope and is drawn over what runs along the wall; the drawing leaves room round all that stands on the wall', () => {
  const { envelopes, bounds, items, ceiling, leftCorner } = drawn([unit('a', 300)])
  expect(envelopes[0]).toMatchObject({ unitId: 'a', whole: false, x: 200, y: 800, w: 600, h: 700 })
  for (const { x, y, w, h } of items)
    expect(x > bounds.x0 && y > bounds.y0 && x + w < bounds.x1 && y + h < bounds.y1).toBe(true)
  expect([ceiling, leftCorner, items.map(({ kind }) => kind)]).toEqual([2400, true, ['obstruction', 'unit']])
})

it('what collides is drawn as failing, and an empty wall can be drawn too', () => {
  expect(
    drawn([unit('a', 300), unit('b', 500)]).items.flatMap(({ kind, verdict }) =>
      kind === 'unit' ? [verdict] : [],
    ),
  ).toEqual(['does-not-conform', 'does-not-conform'])
  const empty = drawn([], { ...wall, width: undefined, height: undefined, obstructions: [] })
  expect(empty.items).toEqual([])
  expect(empty.bounds.x1).toBeGreaterThan(empty.bounds.x0)
})

it('a unit whose sheet asks for no space stands in the way of others but asks for nothing', () => {
  const quiet = { ...BOX, requirements: BOX.requirements.filter(({ kind }) => kind !== 'clearance') }
  const asBuilt: AsBuilt = {
    units: [{ ...unit('q', 760), sheetId: 'quiet' }, unit('a', 300)],
    walls: [wall],
    strings: [],
    array: NOTHING_BUILT.array,
    earth: NOTHING_BUILT.earth,
    network: NOTHING_BUILT.network,
    connections: [],
  }
  const { result } = measureWall(wall, asBuilt, {
    sheetOf: ({ sheetId }) => (sheetId === 'quiet' ? quiet : BOX),
    applies: () => true,
    rule: 'guarded',
  })
  expect(result.units.find(({ id }) => id === 'a')!.sides[1]).toMatchObject({ governing: 'q', margin: -40 })
  expect(result.units.find(({ id }) => id === 'q')!.sides[3]).toMatchObject({ required: 0 })
})

it('as a file it is to scale in millimetres of paper, with its words made safe', () => {
  const drawing = drawn([{ ...unit('a', 300), label: 'Box & <b>' }])
  const svg = wallSvg(drawing, { scale: 20 })
  const width = drawing.bounds.x1 - drawing.bounds.x0
  expect(svg).toContain(`width="${Number((width / 20).toFixed(2))}mm"`)
  expect(svg).toContain(`viewBox="0 0 ${width}`)
  expect(svg).toContain('Box &amp; &lt;b&gt;')
  expect(svg).not.toMatch(/NaN|undefined/)
})
