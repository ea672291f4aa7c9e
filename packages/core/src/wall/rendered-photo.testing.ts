import type { PhotoSetUp } from './photo-tape.js'
import type { Pixel } from './photo-uncertainty.js'

/** A camera before a wall: where it stands and at what it is aimed (mm), how far it is rolled (radians), and by what share its lens bends the corners of the photo. */
export interface Camera {
  away: number
  across: number
  up: number
  at: { x: number; y: number }
  roll: number
  lens: number
}

/** Of a phone: the wide side of the photo is 1.1 times as long as the lens is far from the picture. */
const WIDE = 1.1

/** A pinhole camera with a little radial distortion: where it sees a place on the wall. */
export function seenWall(camera: Camera, { width, height }: { width: number; height: number }) {
  const focal = width / WIDE
  const corner = Math.hypot(width, height) / 2
  const turned = (angle: number, a: number, b: number) =>
    [a * Math.cos(angle) - b * Math.sin(angle), a * Math.sin(angle) + b * Math.cos(angle)] as const
  const pan = Math.atan2(camera.at.x - camera.across, camera.away)
  const tilt = Math.atan2(camera.at.y - camera.up, Math.hypot(camera.at.x - camera.across, camera.away))
  return (x: number, y: number): Pixel => {
    const [right, ahead] = turned(pan, x - camera.across, camera.away)
    const [upward, deep] = turned(tilt, y - camera.up, ahead)
    const [u, v] = turned(camera.roll, (focal * right) / deep, (-focal * upward) / deep)
    const bent = 1 + camera.lens * ((u * u + v * v) / corner ** 2)
    return { px: width / 2 + u * bent, py: height / 2 + v * bent }
  }
}

/** A photo straight from ahead, half a millimetre to a pixel; its check is 300 mm long, whatever is said of it. */
export const straightAhead = (checkLength = 300): PhotoSetUp => ({
  width: 4000,
  height: 3000,
  points: [
    { px: 1000, py: 2000, x: 0, y: 0 },
    { px: 3000, py: 2000, x: 1000, y: 0 },
    { px: 3000, py: 1000, x: 1000, y: 500 },
    { px: 1000, py: 1000, x: 0, y: 500 },
  ],
  check: { from: { px: 1200, py: 1500 }, to: { px: 1800, py: 1500 }, length: checkLength },
  pointUncertainty: 2,
  placeUncertainty: 0,
})
