import fc from 'fast-check'
import { seenWall, type Camera } from './rendered-photo.testing.js'
import { photoMeasure } from './photo-measure.js'
import {
  insideFrame,
  measuredOn,
  photoTape,
  rectangleOn,
  type PhotoSetUp,
  type ReadOff,
} from './photo-tape.js'
import type { Pixel } from './photo-uncertainty.js'
import { backToPhoto, fitProjectiveMap, onWall } from './projective-map.js'
import { rectifiedPicture } from './rectified-picture.js'

const MARKS = [
  [200, 300],
  [2200, 300],
  [2200, 1700],
  [200, 1700],
] as const
const STRAIGHT: Camera = { away: 3000, across: 1200, up: 1000, at: { x: 1200, y: 1000 }, roll: 0, lens: 0 }
const FRAME = { width: 4000, height: 3000 }

function setUp(camera: Camera, more: Partial<PhotoSetUp> = {}): PhotoSetUp {
  const at = seenWall(camera, FRAME)
  return {
    ...FRAME,
    points: MARKS.map(([x, y]) => ({ ...at(x, y), x, y })),
    check: { from: at(600, 400), to: at(1800, 400), length: 1200 },
    pointUncertainty: 2,
    placeUncertainty: 0,
    ...more,
  }
}
const faultsOf = (given: PhotoSetUp) => {
  const tape = photoTape(given)
  return tape.usable ? [] : tape.faults.map(({ code }) => code)
}

describe('a photo measures only', () => {
  it('when its check length comes out as it is known', () => {
    const good = setUp(STRAIGHT)
    expect(faultsOf(good)).toEqual([])
    expect(faultsOf({ ...good, check: { ...good.check, length: 1190 } })).toEqual(['check-off'])
  })
  it('when its marks lie clear of the rim', () => {
    // From near by, the same marks reach the edge of the photo.
    expect(faultsOf(setUp({ ...STRAIGHT, away: 1900 }))).toContain('near-edge')
    expect(insideFrame({ px: 399, py: 1500 }, FRAME)).toBe(false)
  })
  it('when a fifth known point fits the four', () => {
    const good = setUp(STRAIGHT)
    const fifth = { ...seenWall(STRAIGHT, FRAME)(1200, 1000), x: 1200, y: 1030 }
    expect(faultsOf({ ...good, points: [...good.points, fifth] })).toContain('points-off')
  })
  it('when its points make a map', () => {
    const { points, ...rest } = setUp(STRAIGHT)
    expect(faultsOf({ ...rest, points: points.slice(0, 3) })).toEqual(['no-map'])
    expect(faultsOf({ ...rest, points: points.with(0, points[1]!) })).toEqual(['no-map'])
  })
  it('clear of the rim', () => {
    const given = setUp(STRAIGHT)
    const tape = photoTape(given)
    if (!tape.usable) throw new Error('a good photo')
    const [a, rim] = [given.points[0]!, { px: 30, py: 1500 }]
    expect(measuredOn(given, tape, a, rim)).toEqual({
      ok: false,
      fault: { code: 'near-edge', what: 'click' },
    })
    expect(measuredOn(given, tape, a, a)).toMatchObject({ ok: true, length: { value: 0 } })
  })
})

it('a thing whose two corners are clicked stands where it stands, whichever corners they are', () => {
  const camera = { ...STRAIGHT, across: 400, up: 1500, away: 3300 }
  const given = setUp(camera)
  const tape = photoTape(given)
  if (!tape.usable) throw new Error('a good photo')
  const at = seenWall(camera, FRAME)
  for (const [one, other] of [
    [at(700, 600), at(1100, 1200)],
    [at(1100, 600), at(700, 1200)],
  ] as const) {
    const { across, up, ...rectangle } = rectangleOn(given, tape, one, other)!
    for (const [edge, mm] of Object.entries({ x: 700, y: 600, w: 400, h: 600 }))
      expect(rectangle[edge as 'x']).toBeCloseTo(mm, 6)
    expect(across).toBeGreaterThan(0)
    expect(up).toBeGreaterThan(0)
  }
})

it('the way back from the wall to the photo undoes the way there', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -1000, max: 3000 }),
      fc.integer({ min: 0, max: 2400 }),
      fc.integer({ min: 0, max: 2000 }),
      (across, x, y) => {
        const map = fitProjectiveMap(setUp({ ...STRAIGHT, across }).points)!
        const { px, py, seen } = backToPhoto(map)(x, y)
        const place = onWall(map, px, py)
        expect(seen).toBe(true)
        expect(place.x).toBeCloseTo(x, 5)
        expect(place.y).toBeCloseTo(y, 5)
      },
    ),
  )
})

it('a rectified photo shows a dark thing where it stands on the wall, and nothing where the camera saw nothing', () => {
  const camera = { ...STRAIGHT, across: 400 }
  const small = { width: 400, height: 300 }
  const at = seenWall(camera, small)
  const map = fitProjectiveMap(MARKS.map(([x, y]) => ({ ...at(x, y), x, y })))!
  const data = new Uint8ClampedArray(4 * 400 * 300)
  for (let row = 0; row < 300; row++)
    for (let column = 0; column < 400; column++) {
      const { x, y } = onWall(map, column + 0.5, row + 0.5)
      const dark = x > 1000 && x < 1400 && y > 800 && y < 1300
      data.set([dark ? 0 : 255, 0, 0, 255], 4 * (row * 400 + column))
    }
  const seen = rectifiedPicture({ ...small, data }, map, { x0: -9000, y0: 0, x1: 2400, y1: 2000 }, 20)
  const red = (x: number, y: number) =>
    seen.data.slice(4 * (Math.floor((2000 - y) / 20) * seen.width + Math.floor((x + 9000) / 20))).slice(0, 4)
  expect([...red(1200, 1000)]).toEqual([0, 0, 0, 255])
  expect([...red(950, 1000)]).toEqual([255, 0, 0, 255])
  expect([...red(-8000, 1000)]).toEqual([0, 0, 0, 0])
})

describe('on photos of a known camera, with a hand that trembles, 95 lengths of 100 lie within what is stated', () => {
  const trueIn = (
    photos: number,
    bent: number,
    read: (given: PhotoSetUp, from: Pixel, to: Pixel) => ReadOff | undefined,
  ) => {
    const random = chance(20_261_127)
    const within: boolean[] = []
    for (let photo = 0; photo < photos; photo++) {
      const at = seenWall(cameraSomewhere(random, bent), FRAME)
      /** Normal, with a standard deviation of one pixel: two pixels expanded. */
      const trembling = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
      const clicked = (x: number, y: number) => {
        const { px, py } = at(x, y)
        return { px: px + trembling(), py: py + trembling() }
      }
      const points = MARKS.map(([x, y]) => ({ ...clicked(x, y), x, y }))
      const check = { from: clicked(600, 400), to: clicked(1800, 400), length: 1200 }
      const [x, y] = [400 + 1000 * random(), 500 + 800 * random()]
      const [dx, dy] = [100 + 500 * random(), 400 * (random() - 0.5)]
      const given = { ...setUp(STRAIGHT), points, check }
      const length = read(given, clicked(x, y), clicked(x + dx, y + dy))
      if (length) within.push(Math.abs(length.value - Math.hypot(dx, dy)) <= length.uncertainty)
    }
    expect(within.length).toBeGreaterThan(0.9 * photos)
    return within.filter(Boolean).length / within.length
  }
  it('by the calculator on 1 000, through a lens that bends the corners by up to a fifth of a percent', () =>
    expect(
      trueIn(1000, 0.002, ({ points }, from, to) => {
        const { distance: value, uncertainty } = photoMeasure({ points, measure: [{ id: 'a', from, to }] })
          .distances[0]!
        return { value, uncertainty }
      }),
    ).toBeGreaterThanOrEqual(0.95))
  it('by the photo as a tape on 400, which counts the lens, through one that bends them by up to half a percent', () =>
    expect(
      trueIn(400, 0.005, (given, from, to) => {
        const tape = photoTape(given)
        const read = tape.usable ? measuredOn(given, tape, from, to) : undefined
        return read?.ok ? read.length : undefined
      }),
    ).toBeGreaterThanOrEqual(0.95))
})

/** Before the marks at a distance that shows them whole, from a metre to either side, aimed at their middle. */
const cameraSomewhere = (random: () => number, bent: number): Camera => ({
  away: 3000 + 1500 * random(),
  across: 200 + 2000 * random(),
  up: 700 + 1000 * random(),
  at: { x: 1100 + 200 * random(), y: 950 + 100 * random() },
  roll: 0.1 * (random() - 0.5),
  lens: 2 * bent * (random() - 0.5),
})

/** A plain generator with a seed (mulberry32), so that the photos are the same each time. */
function chance(seed: number): () => number {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}
