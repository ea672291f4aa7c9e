import fc from 'fast-check'
import { photoMeasure } from '../index.js'

/** A wall seen through a camera: the inverse of what is to be found. */
const seen = (x: number, y: number, tilt: number) => {
  const below = 1 + tilt * x
  return { px: (600 + 1.9 * x + 0.1 * y) / below, py: (2400 - 2 * y + 0.05 * x) / below }
}
const CORNERS = [
  [0, 0],
  [1400, 0],
  [1400, 900],
  [0, 900],
  [700, 450],
] as const

it('what a camera saw of a wall is given back in millimetres, however it stood', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -2e-4, max: 4e-4, noNaN: true }),
      fc.integer({ min: 0, max: 1000 }),
      fc.integer({ min: 1, max: 800 }),
      fc.integer({ min: 4, max: 5 }),
      (tilt, x, long, n) => {
        const points = CORNERS.slice(0, n).map(([wx, wy]) => ({ ...seen(wx, wy, tilt), x: wx, y: wy }))
        const { residual, distances } = photoMeasure({
          points,
          measure: [{ id: 'a', from: seen(x, 200, tilt), to: seen(x + long, 200, tilt) }],
        })
        expect(residual).toBeLessThan(1e-6)
        expect(distances[0]!.distance).toBeCloseTo(long, 5)
        expect(distances[0]!.uncertainty).toBeGreaterThan(0)
      },
    ),
  )
})

it('twice as careless clicks make it twice as uncertain, and a place that is known badly adds to that', () => {
  const points = CORNERS.slice(0, 4).map(([x, y]) => ({ ...seen(x, y, 2e-4), x, y }))
  const measure = [{ id: 'a', from: seen(100, 100, 2e-4), to: seen(900, 700, 2e-4) }]
  const width = (more: object) => photoMeasure({ points, measure, ...more }).distances[0]!.uncertainty
  expect(width({ pointUncertainty: 4 })).toBeCloseTo(2 * width({ pointUncertainty: 2 }), 4)
  expect(width({ placeUncertainty: 5 })).toBeGreaterThan(width({}))
})

it('a click past the horizon of the wall measures nothing', () => {
  const points = CORNERS.slice(0, 4).map(([x, y]) => ({ ...seen(x, y, 4e-4), x, y }))
  const measure = [{ id: 'a', from: seen(100, 100, 4e-4), to: { px: 90_000, py: 100 } }]
  expect(() => photoMeasure({ points, measure })).toThrow('measure[0].to')
})
