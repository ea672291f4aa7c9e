import type { Item, Page, Rule } from './page/page.js'

/** A page as a test writes it: lines from above to below, each with its parts from left to right. */
export interface PrintedLine {
  parts: { text: string; x?: number; bold?: boolean; size?: number }[]
  /** Room above it, in points. */
  above?: number
}

type Style = { x?: number; bold?: boolean; size?: number; above?: number }

export const line = (text: string, { above, ...style }: Style = {}): PrintedLine => ({
  parts: [{ text, ...style }],
  ...(above !== undefined && { above }),
})
export const heading = (text: string): PrintedLine => line(text, { bold: true, size: 14, above: 24 })

/** Fields of a row of a table, each at its column. */
export const fields = (
  columns: readonly number[],
  texts: readonly string[],
  style: Style = {},
): PrintedLine => ({
  parts: texts.flatMap((text, i) => (text === '' ? [] : [{ text, x: columns[i]!, ...style }])),
  above: 8,
})

const SIZE = 10
/** Half an em a letter: near enough for what stands beside what. */
const widthOf = (text: string, size: number) => text.length * size * 0.5

export function printed(number: number, lines: readonly PrintedLine[], rules: readonly Rule[] = []): Page {
  const items: Item[] = []
  let baseline = 90
  for (const { parts, above = 3 } of lines) {
    const size = Math.max(...parts.map((part) => part.size ?? SIZE))
    baseline += above + size
    for (const { text, x = 60, bold = false, size: own = SIZE } of parts)
      items.push({ text, x, baseline, width: widthOf(text, own), size: own, bold })
  }
  return { number, width: 595, height: 842, items, rules: [...rules], fromPicture: false, pictures: 0 }
}

/** A paragraph set in lines of at most `letters` letters. */
export function paragraph(text: string, letters = 90, style: Style = {}): PrintedLine[] {
  const lines: string[] = []
  let open = ''
  for (const word of text.split(' ')) {
    if (open !== '' && open.length + word.length >= letters) {
      lines.push(open)
      open = word
    } else open = open === '' ? word : `${open} ${word}`
  }
  lines.push(open)
  return lines.map((one, i) => line(one, { ...style, above: i === 0 ? 14 : 3 }))
}
