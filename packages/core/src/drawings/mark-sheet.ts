import type { Place } from '../wall/photo-uncertainty.js'

/** How far apart the marks are, mm. */
const APART = { across: 160, up: 200 }

/** The four marks of the printed sheet, mm from its lower left one; the letters go round against the clock. */
export const SHEET_MARKS: readonly (Place & { id: MarkId })[] = [
  { id: 'A', x: 0, y: 0 },
  { id: 'B', x: APART.across, y: 0 },
  { id: 'C', x: APART.across, y: APART.up },
  { id: 'D', x: 0, y: APART.up },
]
export const MARK_IDS = ['A', 'B', 'C', 'D'] as const
export type MarkId = (typeof MARK_IDS)[number]

/** The bar whose length must come out before anything is measured, mm; it lies half way up. */
export const CHECK_BAR = { from: { x: 10, y: 100 }, to: { x: 150, y: 100 }, length: 140 } as const

export const PAPERS = {
  A4: { name: 'A4', width: 210, height: 297 },
  letter: { name: 'US Letter', width: 215.9, height: 279.4 },
} as const
export type Paper = keyof typeof PAPERS

/** The marks in the middle of a paper, mm from its upper left corner, y down as paper is printed. */
export function onPaper(paper: Paper, { x, y }: Place): Place {
  const { width, height } = PAPERS[paper]
  return { x: (width - APART.across) / 2 + x, y: (height + APART.up) / 2 - y }
}
