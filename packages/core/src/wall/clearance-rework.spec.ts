import fc from 'fast-check'
import { afterMoves, clearanceRework } from './clearance-rework.js'
import { clearance } from './clearance.js'
import type { ClearanceInput } from './items.js'
import { randomWall } from './random-wall.testing.js'

const small = () =>
  randomWall({ most: 5, span: 1500 }).map((wall) => ({ ...wall, wall: { width: 4000, height: 4000 } }))

it('the reported rework, once done, conforms, and nothing leaves the wall', () => {
  fc.assert(
    fc.property(small(), fc.integer({ min: 0, max: 20 }), (wall, uncertainty) => {
      const given = { ...wall, uncertainty }
      const { status, moves, travel, unitsMoved } = clearanceRework(given)
      const after = { ...given, items: afterMoves(given.items, moves) }
      if (status === 'not-found') return
      expect(clearance(after).verdict).toBe('conforms')
      expect(unitsMoved).toBe(moves.length)
      expect(travel).toBeCloseTo(
        moves.reduce((sum, { dx, dy }) => sum + Math.abs(dx) + Math.abs(dy), 0),
        6,
      )
      for (const { id } of moves) {
        const { x, y, w, h } = after.items.find((item) => item.id === id)!
        expect(x >= -1e-6 && y >= -1e-6 && x + w <= 4000 + 1e-6 && y + h <= 4000 + 1e-6).toBe(true)
      }
    }),
    { numRuns: 80 },
  )
})

it('no single move on a fine grid is shorter than the one reported', () => {
  fc.assert(
    fc.property(small(), (wall) => {
      const found = clearanceRework(wall)
      if (found.status !== 'found' || found.unitsMoved !== 1) return
      const best = shortestOnGrid(wall, 100, found.travel)
      expect(best).toBeGreaterThanOrEqual(found.travel - 1e-6)
    }),
    { numRuns: 12 },
  )
})

it('a wall that conforms needs nothing, and a fixed unit stays', () => {
  const wall: ClearanceInput = {
    wall: { width: 2000, height: 2600, leftCorner: true },
    items: [
      {
        id: 'a',
        kind: 'unit',
        x: 100,
        y: 1000,
        w: 400,
        h: 500,
        clear: { left: 200, right: 200, top: 200, bottom: 200 },
      },
    ],
  }
  expect(clearanceRework(wall)).toMatchObject({
    status: 'found',
    moves: [{ id: 'a', dx: 100, dy: 0 }],
    exact: true,
  })
  expect(clearanceRework({ ...wall, fixed: ['a'] })).toMatchObject({
    status: 'not-found',
    moves: [],
    travel: 0,
  })
})

it('three units in a row that all have to give way are set by a search that says it is not exact', () => {
  const clear = { left: 300, right: 300, top: 0, bottom: 0 }
  const items = [0, 1, 2].map((i) => ({
    id: `u${i}`,
    kind: 'unit' as const,
    x: 500 + i * 420,
    y: 500,
    w: 400,
    h: 600,
    clear,
  }))
  const given = { wall: { width: 2600, height: 1150, leftCorner: true, rightCorner: true }, items }
  const found = clearanceRework(given)
  expect(found.status).toBe('found')
  expect(clearance({ ...given, items: afterMoves(items, found.moves) }).verdict).toBe('conforms')
})

it('a long search can be called off', () => {
  const clear = { left: 400, right: 400, top: 400, bottom: 400 }
  const items = Array.from({ length: 6 }, (_, i) => ({
    id: `u${i}`,
    kind: 'unit' as const,
    x: 100 + i * 110,
    y: 500,
    w: 100,
    h: 100,
    clear,
  }))
  expect(
    clearanceRework(
      { wall: { width: 900, height: 1100, leftCorner: true, rightCorner: true }, items },
      () => false,
    ).status,
  ).toBe('not-found')
})

/** Tries every position of every unit on a grid, below a bound. */
function shortestOnGrid(wall: ClearanceInput, step: number, bound: number): number {
  let best = bound
  for (const unit of wall.items) {
    if (unit.kind !== 'unit') continue
    for (let x = 0; x + unit.w <= 4000; x += step) {
      for (let y = 0; y + unit.h <= 4000; y += step) {
        const travel = Math.abs(x - unit.x) + Math.abs(y - unit.y)
        if (travel >= best) continue
        const items = wall.items.map((item) => (item.id === unit.id ? { ...item, x, y } : item))
        if (clearance({ ...wall, items }).verdict === 'conforms') best = travel
      }
    }
  }
  return best
}
