import type { ArrayDrawing } from '@plumb-mark/core'
import { FAINT, INK, OXIDE, PAPER, drawing, n, seriesColour, words } from './svg.js'

const MARGIN = 500
/** Width of a page between its margins and the smallest type on it, pt. */
const PAGE = 500
const SMALLEST = 9.6

/** The array map to scale: modules, strings in colour and number, devices, and which of them is silent or mistyped. */
export function arraySvg({ planes, strings, branches, w, h }: ArrayDrawing): string {
  const widest = Math.min(
    w / 26,
    0.36 * Math.min(...planes.map(({ moduleW, moduleH }) => Math.min(moduleW, moduleH))),
  )
  // Words as large as they are read on paper; where a module is too small for its number, only its string is named.
  const smallest = (SMALLEST * (w + 2 * MARGIN)) / PAGE
  const size = Math.max(widest, smallest)
  const numbered = widest >= 0.75 * smallest
  const besides = Math.max(...planes.map(({ moduleW }) => moduleW))
  const modules = planes.flatMap(({ x, y, label, places, moduleW, moduleH }) => [
    words(x, y - 0.5 * size, label, { size: 1.25 * size, bold: true }),
    ...places.flatMap((place) => {
      const [left, top] = [x + place.x, y + place.y]
      const wrong = place.heard === 'silent' || place.heard === 'typo'
      return [
        `<rect x="${n(left)}" y="${n(top)}" width="${n(moduleW)}" height="${n(moduleH)}" rx="20" fill="${PAPER}" stroke="${wrong ? OXIDE : FAINT}" stroke-width="${wrong ? 40 : 14}"/>`,
        ...(place.order === undefined || !numbered
          ? []
          : [
              words(left + moduleW - 0.25 * size, top + 0.95 * size, String(place.order), {
                size: 0.9 * size,
                anchor: 'end',
                fill: seriesColour(place.string ?? 0),
              }),
            ]),
        ...(wrong
          ? [
              words(
                left + moduleW / 2,
                top + moduleH - 0.3 * size,
                place.heard === 'silent' ? 'silent' : 'serial?',
                {
                  size,
                  anchor: 'middle',
                  fill: OXIDE,
                  bold: true,
                },
              ),
            ]
          : []),
      ]
    }),
  ])
  const lines = [
    ...strings.map(({ path, number, label }) => ({ path, label, colour: seriesColour(number), dash: '' })),
    ...branches.map(({ path, label }) => ({ path, label, colour: INK, dash: ` stroke-dasharray="60 50"` })),
  ].flatMap(({ path, label, colour, dash }) => {
    const [first] = path
    if (!first) return []
    const run = path.map(({ x, y }) => `${n(x)},${n(y)}`).join(' ')
    return [
      `<polyline points="${run}" fill="none" stroke="${colour}" stroke-width="28" opacity="0.75"${dash}/>`,
      words(first.x - 0.6 * besides, first.y + 0.3 * size, label, {
        size: 0.9 * size,
        anchor: 'end',
        fill: colour,
        bold: true,
      }),
    ]
  })
  const left = MARGIN + 4 * size
  return drawing(-left, -MARGIN, w + left + MARGIN, h + 2 * MARGIN, [...modules, ...lines])
}
