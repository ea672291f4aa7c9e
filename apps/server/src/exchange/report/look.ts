import type { Content, StyleDictionary, TableCell } from 'pdfmake/interfaces.js'
import { VERDICT_WORDS, type Verdict } from '@plumb-mark/core'

export const TEXT = '#22211d'
export const FAINT = '#5f5a50'
export const ACCENT = '#2b5d8a'
export const DANGER = '#a2381f'
export const BRASS = '#7a5d16'
const HAIR = '#cfc7b5'

/** Nothing on paper is smaller: it is read under a lamp in a plant room, a year later. */
export const SMALLEST = 8.5

export const STYLES: StyleDictionary = {
  title: { fontSize: 24, bold: true, lineHeight: 1.05 },
  part: { fontSize: 15, bold: true, margin: [0, 12, 0, 3] },
  heading: { fontSize: 10.5, bold: true, margin: [0, 6, 0, 1] },
  lead: { fontSize: 12 },
  quiet: { color: FAINT, fontSize: SMALLEST },
  danger: { color: DANGER, bold: true },
  figure: { font: 'Figures', fontSize: SMALLEST },
  strong: { bold: true },
  head: { color: FAINT, fontSize: SMALLEST },
}

/** The marks of the screen, drawn for paper: a chevron, a mark struck through twice, a ring, a dash, a dotted dash. */
const MARKS = {
  conforms: { path: '<path d="M2 2 L9 7 L2 12"/>', colour: ACCENT },
  'does-not-conform': { path: '<path d="M7 1 V13 M2 5 H12 M2 9 H12"/>', colour: DANGER },
  'not-proven': { path: '<circle cx="7" cy="7" r="4.6"/>', colour: BRASS },
  'not-inspected': { path: '<path d="M3 7 H11"/>', colour: FAINT },
  'not-applicable': { path: '<path d="M2 7 H12" stroke-dasharray="1.4 2.4"/>', colour: FAINT },
} satisfies Record<Verdict, { path: string; colour: string }>

export function verdictMark(verdict: Verdict, words = VERDICT_WORDS[verdict], size = 9): Content {
  const { path, colour } = MARKS[verdict]
  return {
    columns: [
      {
        svg: `<svg viewBox="0 0 14 14" width="${size}" height="${size}"><g fill="none" stroke="${colour}" stroke-width="1.8">${path}</g></svg>`,
        width: size + 4,
        margin: [0, size < 10 ? 1.5 : 1, 0, 0],
      },
      { text: words, color: colour, bold: verdict === 'does-not-conform', width: '*' },
    ],
  }
}

export const PADDING = 6
/** Fine rules under the rows, none between the columns. */
export const QUIET = {
  hLineWidth: (row: number) => (row === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => HAIR,
  paddingLeft: () => 0,
  paddingRight: () => PADDING,
  paddingTop: () => 1.1,
  paddingBottom: () => 1.1,
}

export const heads = (...names: string[]): TableCell[] => names.map((text) => ({ text, style: 'head' }))
