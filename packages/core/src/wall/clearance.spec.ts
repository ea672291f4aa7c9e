import fc from 'fast-check'
import { clearance } from './clearance.js'
import { collides, overlapsOn, X, Y } from './geometry.js'
import { clearanceInput, type ClearanceInput } from './items.js'
import { SIDES, type Side } from './sides.js'
import { randomWall } from './random-wall.testing.js'
import { requiredGap } from './required.js'

it('finds on every side what a plain look at every pair finds', () => {
  fc.assert(
    fc.property(randomWall({ most: 14 }), (wall) => {
      const result = clearance(wall)
      for (const unit of result.units)
        for (const side of unit.sides)
          expect({ margin: side.margin, measured: side.measured }).toEqual(naive(wall, unit.id, side.side))
    }),
    { numRuns: 300 },
  )
})

it('a large wall is judged as its naive version judges it', () => {
  const [wall] = fc.sample(randomWall({ least: 60, most: 60, span: 20_000 }), { numRuns: 1, seed: 7 })
  for (const unit of clearance(wall!).units)
    for (const side of unit.sides) expect(side.margin).toEqual(naive(wall!, unit.id, side.side).margin)
})

it('moving an obstruction further away never worsens a clearance', () => {
  const unit = {
    id: 'u',
    kind: 'unit' as const,
    x: 1000,
    y: 1000,
    w: 500,
    h: 600,
    clear: { left: 200, right: 200, top: 300, bottom: 300 },
  }
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 0, max: 900 }), (gap, more) => {
      const margin = (at: number) =>
        clearance({
          wall: {},
          items: [
            unit,
            { id: 'o', kind: 'obstruction', class: 'pipe', x: 1500 + at, y: 1200, w: 50, h: 100 },
          ],
        }).units[0]!.sides[1]!.margin!
      expect(margin(gap + more)).toBeGreaterThanOrEqual(margin(gap))
    }),
  )
})

it('a wall seen in a mirror has the same margins, left and right exchanged', () => {
  fc.assert(
    fc.property(randomWall({ most: 8 }), (wall) => {
      const mirrored = clearance(mirror(wall))
      clearance(wall).units.forEach(({ sides, corners, keepOut }, i) => {
        const other = mirrored.units[i]!
        for (const { side, margin } of sides)
          expect(other.sides.find((one) => one.side === MIRROR[side])!.margin).toBe(margin)
        expect(other.corners.map(({ margin }) => margin)).toEqual(corners.map(({ margin }) => margin))
        expect(other.keepOut.map(({ margin }) => margin)).toEqual(keepOut.map(({ margin }) => margin))
      })
    }),
  )
})

const MIRROR = { left: 'right', right: 'left', top: 'top', bottom: 'bottom' } satisfies Record<Side, Side>

function mirror(wall: ClearanceInput): ClearanceInput {
  return {
    ...wall,
    items: wall.items.map((item) => ({
      ...item,
      x: -item.x - item.w,
      ...(item.kind === 'unit' && {
        clear: { ...item.clear, left: item.clear.right, right: item.clear.left },
      }),
    })) as ClearanceInput['items'],
  }
}

/** Every pair, straight from the definition. */
function naive(
  input: ClearanceInput,
  id: string,
  side: Side,
): { margin: number | null; measured: number | null } {
  const { items, wall } = clearanceInput.read(input, '')
  const unit = items.find((item) => item.id === id)!
  if (unit.kind !== 'unit') throw new Error('not a unit')
  const horizontal = side === 'left' || side === 'right'
  const found = items.flatMap((item) => {
    if (item === unit || collides(unit, item) || !overlapsOn(horizontal ? Y : X, unit, item)) return []
    const gap = {
      left: unit.x - item.x - item.w,
      right: item.x - unit.x - unit.w,
      top: item.y - unit.y - unit.h,
      bottom: unit.y - item.y - item.h,
    }[side]
    return gap < 0 ? [] : [{ gap, required: requiredGap(unit, side, item), id: item.id }]
  })
  if (side === 'bottom') found.push({ gap: unit.y, required: unit.clear.bottom, id: 'floor' })
  if (side === 'top' && wall.height !== undefined)
    found.push({ gap: wall.height - unit.y - unit.h, required: unit.clear.top, id: 'ceiling' })
  found.sort((a, b) => a.gap - a.required - (b.gap - b.required) || a.gap - b.gap || (a.id < b.id ? -1 : 1))
  const [first] = found
  return first
    ? { margin: first.gap - first.required, measured: first.gap }
    : { margin: null, measured: null }
}

it('lists sides in one order, and units as they were given', () => {
  const [wall] = fc.sample(randomWall({ most: 6 }), { numRuns: 1, seed: 3 })
  expect(clearance(wall!).units.map(({ id }) => id)).toEqual(
    wall!.items.filter(({ kind }) => kind === 'unit').map(({ id }) => id),
  )
  expect(clearance(wall!).units[0]?.sides.map(({ side }) => side) ?? [...SIDES]).toEqual([...SIDES])
})
