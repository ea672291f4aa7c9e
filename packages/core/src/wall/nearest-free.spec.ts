import fc from 'fast-check'
import { bandIndex } from './band-index.js'
import { isFree, type Forbidden } from './forbidden.js'
import { X, Y, collides, facingOn, gapOn, overlapsOn, straightDistance } from './geometry.js'
import { clearanceInput } from './items.js'
import { nearestFree } from './nearest-free.js'
import { randomWall } from './random-wall.testing.js'

const ROOM = { xMin: 0, xMax: 1000, yMin: 0, yMax: 1000 }
const whole = (to: number) => fc.integer({ min: 0, max: to })
const span = fc
  .record({
    x0: whole(900),
    y0: whole(900),
    w: fc.integer({ min: 20, max: 400 }),
    h: fc.integer({ min: 20, max: 400 }),
  })
  .map(({ x0, y0, w, h }) => ({ x0, y0, x1: x0 + w, y1: y0 + h }))
const blocked: fc.Arbitrary<Forbidden> = fc.record({
  rects: fc.array(span, { maxLength: 6 }),
  rounds: fc.array(
    fc.tuple(span, fc.integer({ min: 10, max: 200 })).map(([one, radius]) => ({ ...one, radius })),
    { maxLength: 2 },
  ),
})

it('the nearest free place is free, and no place on a fine grid is nearer', () => {
  fc.assert(
    fc.property(whole(1000), whole(1000), blocked, (x, y, forbidden) => {
      const found = nearestFree({ x, y }, forbidden, ROOM)
      let best = Infinity
      for (let gx = 0; gx <= 1000; gx += 20)
        for (let gy = 0; gy <= 1000; gy += 20)
          if (isFree({ x: gx, y: gy }, forbidden, ROOM))
            best = Math.min(best, Math.abs(gx - x) + Math.abs(gy - y))
      if (!found) return void expect(best).toBe(Infinity)
      expect(isFree(found, forbidden, ROOM)).toBe(true)
      expect(found.travel).toBeCloseTo(Math.abs(found.x - x) + Math.abs(found.y - y), 9)
      expect(found.travel).toBeLessThanOrEqual(best + 1e-6)
    }),
    { numRuns: 60 },
  )
})

it('nothing is looked for beyond the bound', () => {
  const wallToWall = { rects: [{ x0: -1, x1: 500, y0: -1, y1: 2000 }], rounds: [] }
  expect(nearestFree({ x: 100, y: 100 }, wallToWall, ROOM, 399)).toBeUndefined()
  expect(nearestFree({ x: 100, y: 100 }, wallToWall, ROOM, 401)).toMatchObject({
    x: 500,
    y: 100,
    travel: 400,
  })
})

it('the strips of the index find every collision once, as a look at every pair does', () => {
  fc.assert(
    fc.property(randomWall({ most: 25, span: 1500 }), (wall) => {
      const { items } = clearanceInput.read(wall, '')
      const key = (a: { id: string }, b: { id: string }) => [a.id, b.id].sort().join()
      const naive = items.flatMap((a, i) =>
        items
          .slice(i + 1)
          .filter((b) => collides(a, b))
          .map((b) => key(a, b)),
      )
      for (const axis of [X, Y])
        expect(
          bandIndex(items, axis)
            .collisions()
            .map(([a, b]) => key(a, b))
            .sort(),
        ).toEqual([...naive].sort())
    }),
    { numRuns: 150 },
  )
})

describe('two rectangles', () => {
  const a = { x: 0, y: 0, w: 10, h: 10 }
  it.each([
    [
      'that only touch',
      { x: 10, y: 0, w: 5, h: 5 },
      { gap: 0, across: false, collide: false, distance: 0, side: 'right' },
    ],
    [
      'that overlap',
      { x: 5, y: 5, w: 10, h: 10 },
      { gap: 0, across: true, collide: true, distance: 0, side: 'right' },
    ],
    [
      'side by side',
      { x: -8, y: 2, w: 5, h: 5 },
      { gap: 3, across: false, collide: false, distance: 3, side: 'left' },
    ],
    [
      'corner to corner',
      { x: 13, y: 14, w: 5, h: 5 },
      { gap: 3, across: false, collide: false, distance: 5, side: 'right' },
    ],
  ])('%s', (_how, b, wanted) => {
    expect({
      gap: gapOn(X, a, b),
      across: overlapsOn(X, a, b),
      collide: collides(a, b),
      distance: straightDistance(a, b),
      side: facingOn(X, a, b),
    }).toEqual(wanted)
  })
})
