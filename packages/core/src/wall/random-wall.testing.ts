import fc from 'fast-check'
import type { ClearanceInput, ObstructionInput, UnitInput } from './items.js'

interface Bounds {
  least?: number
  most: number
  span?: number
  /** Coordinates that are multiples of this: ties and touching edges then happen often. */
  grid?: number
}

/** Walls of whole millimetres with units and obstructions anywhere, overlapping ones among them. */
export function randomWall({
  least = 1,
  most,
  span = 3000,
  grid = 50,
}: Bounds): fc.Arbitrary<ClearanceInput> {
  const steps = (to: number) => fc.integer({ min: 0, max: to / grid }).map((n) => n * grid)
  const place = {
    x: steps(span),
    y: steps(span),
    w: steps(600).map((n) => n + grid),
    h: steps(600).map((n) => n + grid),
  }
  const figure = steps(400)
  const unit: fc.Arbitrary<Omit<UnitInput, 'id'>> = fc.record(
    {
      kind: fc.constant('unit' as const),
      ...place,
      clear: fc.record({ left: figure, right: figure, top: figure, bottom: figure }),
      neighbour: fc.record({ rule: fc.constantFrom('larger', 'sum', 'stated' as const), distance: figure }),
      reach: fc.constantFrom('straight', 'envelope' as const),
      keepOut: fc.array(fc.record({ from: fc.constant('window'), distance: figure }), { maxLength: 1 }),
    },
    { requiredKeys: ['kind', 'x', 'y', 'w', 'h', 'clear'] },
  )
  const obstruction: fc.Arbitrary<Omit<ObstructionInput, 'id'>> = fc.record({
    kind: fc.constant('obstruction' as const),
    class: fc.constantFrom('window', 'pipe'),
    ...place,
  })
  return fc
    .record({
      items: fc.array(fc.oneof(unit, obstruction), { minLength: least, maxLength: most }),
      height: fc.option(fc.constant(span + 1000), { nil: undefined }),
    })
    .map(({ items, height }) => ({
      wall: height === undefined ? {} : { height },
      items: items.map((item, i) => ({
        ...item,
        id: `i${String(i).padStart(3, '0')}`,
      })) as ClearanceInput['items'],
    }))
}
