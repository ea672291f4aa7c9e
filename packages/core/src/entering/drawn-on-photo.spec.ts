import { seenWall } from '../wall/rendered-photo.testing.js'
import { obstructionSeenAt, seenBetween, sizeDisagrees, unitSeenAt } from './drawn-on-photo.js'

const FRAME = { width: 4000, height: 3000 }
const at = seenWall({ away: 3600, across: 700, up: 1400, at: { x: 1400, y: 1400 }, roll: 0, lens: 0 }, FRAME)
const place = (x: number, y: number) => ({ ...at(x, y), x, y })
const photo = {
  photo: { id: 'p', sha256: 'a'.repeat(64) },
  setUp: {
    ...FRAME,
    points: [place(300, 700), place(2500, 700), place(2500, 2200), place(300, 2200)],
    check: { from: at(500, 800), to: at(2000, 800), length: 1500 },
    pointUncertainty: 2,
    placeUncertainty: 1.5,
  },
}
const between = (x: number, y: number, w: number, h: number, hitTo = 0) =>
  seenBetween(photo, { one: { x, y: y + h }, other: { x: x + w, y }, hitTo })!
const UNIT = { id: 'u', label: 'U', sheetId: 's' }

it('an obstruction that is touched by its corners is entered with what the photo knows of each figure', () => {
  const found = between(1000, 2080, 620, 60)
  const { body } = obstructionSeenAt('o', 'pipe', 'w', photo, found)
  expect(body).toMatchObject({
    wallId: 'w',
    obstruction: { id: 'o', class: 'pipe', x: 1000, y: 2080, w: 620, h: 60, seen: { photoId: 'p' } },
  })
  const { seen } = (body as { obstruction: { seen: Record<string, number> } }).obstruction
  expect(seen.w).toBeCloseTo(Math.SQRT2 * seen.x!, 9)
})

it('a unit keeps the size of its sheet, and hangs where the middle of what was touched is', () =>
  expect(
    unitSeenAt(UNIT, 'w', photo, between(998, 1002, 524, 676), { width: 520, height: 680 }).body,
  ).toMatchObject({
    id: 'u',
    place: { wallId: 'w', x: 1000, y: 1000, w: 520, h: 680, seen: { photoId: 'p' } },
  }))

it('a unit that the photo makes larger than its sheet stands out from the plane of the marks', () => {
  expect(sizeDisagrees(between(1000, 1000, 524, 682), { width: 520, height: 680 })).toBe(false)
  expect(sizeDisagrees(between(1000, 1000, 560, 730), { width: 520, height: 680 })).toBe(true)
})

it('is no surer than the touch, and nothing at the rim of the photo', () => {
  expect(between(1000, 1000, 500, 500, 12).across).toBeGreaterThan(12)
  expect(between(1000, 1000, 500, 500).across).toBeLessThan(12)
  expect(
    seenBetween(photo, { one: { x: -900, y: 1000 }, other: { x: 500, y: 1500 }, hitTo: 0 }),
  ).toBeUndefined()
})
