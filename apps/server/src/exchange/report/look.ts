import type { Content, StyleDictionary, TableCell } from 'pdfmake/interfaces.js'
import { VERDICT_WORDS, type Verdict } from '@plumb-mark/core'

export const TEXT = '#22211d'
export const FAINT = '#6f6a5e'
export const ACCENT = '#2b5d8a'
export const DANGER = '#a2381f'
export const BRASS = '#8a6a1c'
const HAIR = '#cfc7b5'

export const STYLES: StyleDictionary = {
  title: { fontSize: 25, bold: true, lineHeight: 1.05 },
  part: { fontSize: 14, bold: true, margin: [0, 20, 0, 7] },
  small: { fontSize: 8, color: FAINT },
  label: { fontSize: 8, color: FAINT },
  figure: { font: 'Figures', fontSize: 8.5 },
  working: { font: 'Figures', fontSize: 6.8, color: FAINT },
}

/** The marks of the screen, drawn for paper: a chevron, a mark struck through twice, a ring, a dash, a dotted dash. */
const MARKS = {
  conforms: { path: '<path d="M2 2 L9 7 L2 12"/>', colour: ACCENT },
  'does-not-conform': { path: '<path d="M7 1 V13 M2 5 H12 M2 9 H12"/>', colour: DANGER },
  'not-proven': { path: '<circle cx="7" cy="7" r="4.6"/>', colour: BRASS },
  'not-inspected': { path: '<path d="M3 7 H11"/>', colour: FAINT },
  'not-applicable': { path: '<path d="M2 7 H12" stroke-dasharray="1.4 2.4"/>', colour: FAINT },
} satisfies Record<Verdict, { path: string; colour: string }>

export function verdictMark(verdict: Verdict): Content {
  const { path, colour } = MARKS[verdict]
  return {
    columns: [
      {
        svg: `<svg viewBox="0 0 14 14" width="9" height="9"><g fill="none" stroke="${colour}" stroke-width="1.8">${path}</g></svg>`,
        width: 12,
        margin: [0, 1.5, 0, 0],
      },
      { text: VERDICT_WORDS[verdict], color: colour, bold: verdict === 'does-not-conform', width: '*' },
    ],
  }
}

/** Fine rules under the rows, none between the columns. */
export const QUIET = {
  hLineWidth: (row: number) => (row === 0 ? 0 : 0.5),
  vLineWidth: () => 0,
  hLineColor: () => HAIR,
  paddingLeft: () => 0,
  paddingRight: () => 8,
  paddingTop: () => 3.5,
  paddingBottom: () => 3.5,
}

export const heads = (...names: string[]): TableCell[] => names.map((text) => ({ text, style: 'label' }))
export const when = (at: string): string => at.slice(0, 16).replace('T', ' ')
