import { VERDICT_WORDS } from '../verdict/verdict.js'
import { formatNumber } from '../quantity/phrases.js'
import type { DimensionLine, DrawnEnvelope, DrawnItem, WallDrawing } from './wall.js'

/** Colours of a drawing on paper; the screen has its own. */
const INK = '#22211d'
const FAINT = '#8d8778'
const BLUE = '#2b5d8a'
const OXIDE = '#a2381f'
const BRASS = '#8a6a1c'
const STROKE = { conforms: BLUE, 'does-not-conform': OXIDE, 'not-proven': BRASS } as const

/** The wall as an SVG file, exact at its print scale: one user unit is one millimetre on the wall; `scale` 20 prints at 1 : 20. */
export function wallSvg(
  drawing: WallDrawing,
  {
    scale = 20,
    font = 'sans-serif',
    type = TYPE,
  }: { scale?: number; font?: string; /** Size of the smallest type, mm on the wall. */ type?: number } = {},
): string {
  const { x0, y0, x1, y1 } = drawing.bounds
  const [width, height] = [x1 - x0, y1 - y0]
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width / scale)}mm" height="${n(height / scale)}mm" viewBox="0 0 ${n(width)} ${n(height)}" font-family="${font}">`,
    `<g transform="translate(${n(-x0)} ${n(y1)})" fill="none" stroke="${INK}" stroke-width="6">`,
    ...surround(drawing),
    ...drawing.envelopes.map(envelope),
    ...drawing.items.map((one) => item(one, type)),
    ...drawing.dimensions.map((one) => dimension(one, type)),
    `</g></svg>`,
  ].join('\n')
}

/** Fit for a print at 1 : 20, mm on the wall. */
const TYPE = 62

const n = (value: number) => String(Number(value.toFixed(2)))
/** y runs up on the wall and down on paper. */
const rect = ({ x, y, w, h }: { x: number; y: number; w: number; h: number }, more: string) =>
  `<rect x="${n(x)}" y="${n(-y - h)}" width="${n(w)}" height="${n(h)}" ${more}/>`
const line = (xa: number, ya: number, xb: number, yb: number, more = '') =>
  `<line x1="${n(xa)}" y1="${n(-ya)}" x2="${n(xb)}" y2="${n(-yb)}" ${more}/>`
const words = (x: number, y: number, size: number, text: string, more: string) =>
  `<text x="${n(x)}" y="${n(-y)}" font-size="${size}" stroke="none" ${more}>${escape(text)}</text>`
const escape = (text: string) =>
  text.replace(/[&<>"]/g, (char) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[char]!)

function surround({ bounds: { x0, x1, y1 }, ceiling, leftCorner, rightCorner }: WallDrawing): string[] {
  const top = ceiling ?? y1
  return [
    line(x0, 0, x1, 0, 'stroke-width="14"'),
    ...(ceiling === undefined ? [] : [line(x0, ceiling, x1, ceiling, 'stroke-width="10"')]),
    ...(leftCorner ? [line(0, 0, 0, top, 'stroke-width="14"')] : []),
    ...(rightCorner === undefined ? [] : [line(rightCorner, 0, rightCorner, top, 'stroke-width="14"')]),
  ]
}

function envelope({ whole, unit, ...outer }: DrawnEnvelope): string {
  const style = `stroke="${FAINT}" stroke-width="3" stroke-dasharray="16 12"`
  if (whole) return rect(outer, style)
  return (
    rect({ x: outer.x, y: unit.y, w: outer.w, h: unit.h }, style) +
    rect({ x: unit.x, y: outer.y, w: unit.w, h: outer.h }, style)
  )
}

function item({ kind, label, verdict, drawn, ...place }: DrawnItem, type: number): string {
  const stroke = verdict === 'does-not-conform' ? OXIDE : INK
  const fill = kind === 'unit' ? '#ffffff' : '#e4ded0'
  const size = Math.max(0.75 * type, Math.min(1.16 * type, place.w / Math.max(label.length * 0.6, 1)))
  return (
    rect(
      place,
      `fill="${fill}" stroke="${stroke}" stroke-width="${kind === 'unit' ? 9 : 5}"${drawn ? ' stroke-dasharray="26 16"' : ''}`,
    ) + words(place.x + place.w / 2, place.y + place.h / 2, size, label, `fill="${INK}" text-anchor="middle"`)
  )
}

function dimension(
  { from, to, upright, measured, required, shortBy, verdict }: DimensionLine,
  type: number,
): string {
  const colour = STROKE[verdict]
  const [mx, my] = [(from.x + to.x) / 2, (from.y + to.y) / 2]
  const tick = 26
  const ticks = [from, to]
    .map(({ x, y }) => (upright ? line(x - tick, y, x + tick, y) : line(x, y - tick, x, y + tick)))
    .join('')
  const said = [
    `${formatNumber(measured, 1)} / ${formatNumber(required, 1)}`,
    ...(shortBy > 0 ? [`short by ${formatNumber(shortBy, 1)}`] : []),
    ...(verdict === 'not-proven' && shortBy === 0 ? [VERDICT_WORDS[verdict]] : []),
  ]
  const texts = said
    .map((text, i) =>
      words(
        upright ? mx + 30 : mx,
        upright ? my - i * 1.13 * type : my + 0.55 * type - i * 1.8 * type,
        type,
        text,
        `fill="${colour}" text-anchor="${upright ? 'start' : 'middle'}"`,
      ),
    )
    .join('')
  return `<g stroke="${colour}" stroke-width="5">${line(from.x, from.y, to.x, to.y)}${ticks}${texts}</g>`
}
