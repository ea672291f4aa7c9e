import type { Content } from 'pdfmake/interfaces.js'
import { wallDrawing, wallSvg, type Inspection } from '@plumb-mark/core'

/** Every wall to scale, with its governing gaps: measured over required. */
export function wallPages({ walls, around }: Inspection): Content[] {
  return walls.map((measured): Content => {
    const drawing = wallDrawing(measured, around.labelOf)
    return {
      unbreakable: true,
      stack: [
        { text: measured.wall.title, style: 'part' },
        { svg: wallSvg(drawing, { font: 'Barlow' }), fit: [499, 400] },
        {
          text: `To scale; gaps in mm, measured / required. ${measured.wall.tape ? `Measured with ${measured.wall.tape}, uncertainty of a gap ${measured.wall.uncertainty} mm.` : 'No tape was named.'}`,
          style: 'small',
          margin: [0, 6, 0, 0],
        },
      ],
    }
  })
}
