import { printedFigures } from '@plumb-mark/core'
import { boxAround, type Piece } from '../page/page.js'
import type { ManualText } from '../layout/document.js'
import type { Passage } from '../layout/passage.js'
import type { Surroundings } from './prose.js'
import type { Fact } from './spot.js'

/** Measures set beside a drawing of free room: the side is where they stand around it. */
export function figureLabels({ blocks }: ManualText, { habits, isPicture }: Surroundings): Fact[] {
  const facts: Fact[] = []
  blocks.forEach((block, i) => {
    if (
      block.kind !== 'caption' ||
      !/\b(?:space|clear|distance|room|free|gap)/i.test(`${block.text} ${block.titles.at(-1) ?? ''}`)
    )
      return
    const page = block.from[0]!.piece.page
    const labels = blocks
      .slice(Math.max(0, i - 12), i + 12)
      .filter(
        (near): near is Passage =>
          (near.kind === 'label' || near.kind === 'paragraph') &&
          near.from.length === 1 &&
          near.from[0]!.piece.page === page,
      )
      .flatMap((label) => {
        const figures = printedFigures(label.text, habits).filter(({ dimension }) => dimension === 'length')
        const only = figures.length === 1 && figures[0]!.text.length > 0.6 * label.text.length
        return only ? [{ figure: figures[0]!, piece: label.from[0]!.piece, text: label.text }] : []
      })
    if (labels.length < 3) return
    const box = boxAround(labels.map(({ piece }) => piece))
    for (const { figure, piece, text } of labels) {
      const bound = figure.min ?? figure.max ?? figure.value
      if (bound === undefined) continue
      facts.push({
        kind: 'clearance',
        subject: sideOf(piece, box),
        min: Number(bound.toPrecision(9)),
        unit: 'mm',
        page,
        clause: block.clause,
        text,
        box: piece,
        ...(isPicture(page) && { fromPicture: true as const }),
      })
    }
  })
  return facts
}

function sideOf(
  piece: Piece,
  { x0, x1, top, bottom }: { x0: number; x1: number; top: number; bottom: number },
): string {
  const across = ((piece.x0 + piece.x1) / 2 - (x0 + x1) / 2) / Math.max(1, x1 - x0)
  const down = ((piece.top + piece.bottom) / 2 - (top + bottom) / 2) / Math.max(1, bottom - top)
  if (Math.abs(across) > Math.abs(down)) return across < 0 ? 'left' : 'right'
  return down < 0 ? 'above' : 'below'
}
