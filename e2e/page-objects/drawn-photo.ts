import type { Page } from '@playwright/test'

type Place = readonly [x: number, y: number]
export interface DrawnThing {
  x: number
  y: number
  w: number
  h: number
  colour: string
}

export interface DrawnPhoto {
  file: { name: string; mimeType: string; buffer: Buffer }
  width: number
  height: number
  /** Where each mark lies in the photo, px. */
  marks: readonly Place[]
}

const [WIDTH, HEIGHT] = [2000, 1500]
const FOCAL = WIDTH / 1.1

/** Where a camera that stands at `from` (mm across, up and away) and is aimed at `at` sees a place of the wall. */
function seen(from: readonly [number, number, number], at: Place) {
  const [across, up, away] = from
  const pan = Math.atan2(at[0] - across, away)
  const tilt = Math.atan2(at[1] - up, Math.hypot(at[0] - across, away))
  const turned = (angle: number, a: number, b: number) =>
    [a * Math.cos(angle) - b * Math.sin(angle), a * Math.sin(angle) + b * Math.cos(angle)] as const
  return ([x, y]: Place): Place => {
    const [right, ahead] = turned(pan, x - across, away)
    const [upward, deep] = turned(tilt, y - up, ahead)
    return [WIDTH / 2 + (FOCAL * right) / deep, HEIGHT / 2 - (FOCAL * upward) / deep]
  }
}

/** A photo of a wall with things and marks on it, drawn as a camera would see them; marked as a sample. */
export async function drawnPhoto(
  page: Page,
  name: string,
  things: readonly DrawnThing[],
  marks: readonly Place[],
  camera: { from: readonly [number, number, number]; at: Place },
): Promise<DrawnPhoto> {
  const at = seen(camera.from, camera.at)
  const shapes = things.map(({ x, y, w, h, colour }) => ({
    colour,
    corners: [at([x, y]), at([x + w, y]), at([x + w, y + h]), at([x, y + h])],
  }))
  const crosses = marks.map(at)
  const url = await page.evaluate(
    ({ shapes, crosses, width, height }) => {
      const canvas = Object.assign(document.createElement('canvas'), { width, height })
      const pen = canvas.getContext('2d')!
      pen.fillStyle = '#c9c2b2'
      pen.fillRect(0, 0, width, height)
      for (const { colour, corners } of shapes) {
        pen.beginPath()
        corners.forEach(([x, y], i) => (i === 0 ? pen.moveTo(x, y) : pen.lineTo(x, y)))
        pen.closePath()
        pen.fillStyle = colour
        pen.fill()
      }
      for (const [x, y] of crosses) {
        pen.fillStyle = 'white'
        pen.fillRect(x - 14, y - 14, 28, 28)
        pen.fillStyle = 'black'
        pen.fillRect(x - 12, y - 1, 24, 2)
        pen.fillRect(x - 1, y - 12, 2, 24)
      }
      pen.font = '32px sans-serif'
      pen.fillText('sample photo, drawn', 20, height - 20)
      return canvas.toDataURL('image/jpeg', 0.9)
    },
    { shapes, crosses, width: WIDTH, height: HEIGHT },
  )
  return {
    file: { name, mimeType: 'image/jpeg', buffer: Buffer.from(url.split(',')[1]!, 'base64') },
    width: WIDTH,
    height: HEIGHT,
    marks: crosses,
  }
}
