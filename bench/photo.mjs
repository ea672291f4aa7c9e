import { fitProjectiveMap, measuredOn, photoTape, rectifiedPicture } from '../packages/core/dist/index.js'
import { measured, ms } from './reference.mjs'

const MARKS = [
  [760, 1930, 300, 700],
  [3080, 1870, 2500, 700],
  [3040, 620, 2500, 2250],
  [790, 560, 300, 2250],
]
const points = MARKS.map(([px, py, x, y]) => ({ px, py, x, y }))
const PHOTO = { width: 2400, height: 1800 }

/** A photo as a tape: what a touch costs, and what a rectified picture of a whole wall costs. */
export function photoRows() {
  const setUp = {
    width: 4000,
    height: 3000,
    points,
    check: { from: { px: 900, py: 1700 }, to: { px: 2500, py: 1650 }, length: 1500 },
    pointUncertainty: 60,
    placeUncertainty: 1.5,
  }
  const tape = photoTape(setUp)
  if (!tape.usable) throw new Error('the photo of the bench must measure')
  const touch = () => {
    photoTape(setUp)
    measuredOn(setUp, tape, { px: 1000, py: 1000 }, { px: 2000, py: 1200 })
  }
  const data = new Uint8ClampedArray(4 * PHOTO.width * PHOTO.height).fill(128)
  const map = fitProjectiveMap(points.map((point) => ({ ...point, px: 0.6 * point.px, py: 0.6 * point.py })))
  const wall = { x0: 0, y0: 0, x1: 3200, y1: 2400 }
  return [
    ['a length read off a photo, its check and uncertainties', ms(measured(touch, 51)), 'under 16 ms'],
    [
      'a photo of 4 megapixels rectified to 1 600 by 1 200, in a worker',
      ms(measured(() => rectifiedPicture({ ...PHOTO, data }, map, wall, 2), 5)),
      '',
    ],
  ]
}
