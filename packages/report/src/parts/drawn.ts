import { arrayDrawing, wallDrawing, wallSvg } from '@plumb-mark/core'
import type { Block } from '../block.js'
import { arraySvg } from '../drawings/array-svg.js'
import { oneLineSvg } from '../drawings/one-line-svg.js'
import type { ReportRecord } from '../record.js'
import { figure } from '../block.js'

const TALLEST = 640
/** Beyond this many no module could be told from its neighbour on paper, and setting the page takes minutes. */
const MOST_DRAWN = 5000

/** Who feeds what. */
export function oneLine({ inspection }: ReportRecord): Block[] {
  if (inspection.context.asBuilt.network.parts.length === 0) return []
  const { svg, h } = oneLineSvg(inspection)
  return [
    {
      kind: 'drawing',
      svg,
      alt: 'One-line diagram',
      caption:
        'Beside each cable its size, then what it carries / what it may carry. A thick line is fed from more than one side; red does not conform.',
      height: Math.min(TALLEST, h),
    },
  ]
}

/** Where the modules lie, on which string, and which device hangs where. */
export function arrayMap({ inspection }: ReportRecord): Block[] {
  const drawing = arrayDrawing(inspection)
  if (drawing.planes.length === 0) return []
  const places = drawing.planes.reduce((sum, plane) => sum + plane.places.length, 0)
  if (places > MOST_DRAWN)
    return [
      { kind: 'text', as: 'quiet', text: `The array has ${places} places: too many to be drawn on a page.` },
    ]
  const devices = inspection.context.asBuilt.array.devices.filter(({ serial }) => serial)
  return [
    {
      kind: 'drawing',
      svg: arraySvg(drawing),
      alt: 'Array map',
      caption:
        'To scale. Strings in colour, each module with its number on its string; a dashed line is an AC branch.',
      height: Math.min(TALLEST / 4, ((drawing.h + 1000) / (drawing.w + 1000)) * 499),
    },
    ...(devices.length > 0 ? [serialTable(devices)] : []),
  ]
}

const ACROSS = 3

/** Serials by place, several to a row. */
function serialTable(devices: readonly { at: string; serial?: string | undefined }[]): Block {
  const rows = Array.from({ length: Math.ceil(devices.length / ACROSS) }, (_, row) =>
    Array.from({ length: ACROSS }, (_one, column) => devices[row * ACROSS + column]).flatMap((device) =>
      device ? [device.at, figure(device.serial ?? '')] : ['', ''],
    ),
  )
  return {
    kind: 'table',
    columns: Array.from({ length: ACROSS }, () => [{ head: 'place' }, { head: 'serial', share: 1.4 }]).flat(),
    rows,
  }
}

/** Of the picture of a wall, and of the smallest type in it, pt. */
const WIDTH = 499
const HEIGHT = 186
const TYPE = 8.6

/** Every wall to scale, with its governing gaps: measured over required. */
export function walls({ inspection }: ReportRecord): Block[] {
  return inspection.walls.map((measured): Block => {
    const { wall } = measured
    const drawing = wallDrawing(measured, inspection.context.labelOf)
    const { x0, x1, y0, y1 } = drawing.bounds
    return {
      kind: 'together',
      blocks: [
        { kind: 'heading', text: wall.title },
        {
          kind: 'drawing',
          svg: wallSvg(drawing, {
            font: 'Barlow',
            type: TYPE * Math.max((x1 - x0) / WIDTH, (y1 - y0) / HEIGHT),
          }),
          alt: `${wall.title}, to scale`,
          caption: `To scale; gaps in mm, measured / required. ${wall.tape ? `Measured with ${wall.tape}, uncertainty of a gap ${wall.uncertainty} mm.` : 'No tape was named.'}`,
          height: Math.min(HEIGHT, ((y1 - y0) / (x1 - x0)) * WIDTH),
        },
      ],
    }
  })
}
