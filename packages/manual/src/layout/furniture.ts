import type { Page, Piece } from '../page/page.js'

/** The share of a page, above and below, where running heads and page numbers stand. */
const MARGIN = 0.12

/**
 * What stands on every page and is no text of it: running heads, page numbers, the number of the document. At one height of most pages, and
 * the same there apart from its figures, or the title of a chapter that is set again.
 */
export function withoutFurniture(
  pages: readonly { page: Page; pieces: readonly Piece[] }[],
): { page: Page; pieces: Piece[] }[] {
  const heights = slots(pages)
  const titles = titlesOf(pages)
  return pages.map(({ page, pieces }) => ({
    page,
    pieces: pieces.filter((piece) => {
      if (!inMargin(piece, page)) return true
      const slot = heights.get(slotOf(piece, page))
      if (slot && slot.repeats) return false
      return !isRunning(piece, pieces, page, titles)
    }),
  }))
}

const inMargin = ({ top, bottom }: Piece, { height }: Page) =>
  bottom < MARGIN * height || top > (1 - MARGIN) * height

const slotOf = ({ baseline }: Piece, { height }: Page) =>
  baseline < height / 2 ? `top ${Math.round(baseline / 3)}` : `end ${Math.round((height - baseline) / 3)}`

const pattern = (text: string) => text.replace(/\d+/g, '#').toLowerCase()

function slots(pages: readonly { page: Page; pieces: readonly Piece[] }[]) {
  const found = new Map<string, { pages: Set<number>; texts: Map<string, Set<number>>; repeats: boolean }>()
  for (const { page, pieces } of pages)
    for (const piece of pieces) {
      if (!inMargin(piece, page)) continue
      const key = slotOf(piece, page)
      const slot = found.get(key) ?? { pages: new Set(), texts: new Map(), repeats: false }
      slot.pages.add(page.number)
      const text = pattern(piece.text)
      slot.texts.set(text, (slot.texts.get(text) ?? new Set()).add(page.number))
      found.set(key, slot)
    }
  const many = Math.max(2, Math.ceil(pages.length * 0.4))
  for (const slot of found.values()) slot.repeats = [...slot.texts.values()].some(({ size }) => size >= many)
  return found
}

/** Texts that are set large somewhere: what a running head repeats. */
function titlesOf(pages: readonly { pieces: readonly Piece[] }[]): Map<string, number> {
  const sizes = new Map<string, number>()
  for (const { pieces } of pages)
    for (const { text, size } of pieces) {
      const key = title(text)
      sizes.set(key, Math.max(size, sizes.get(key) ?? 0))
    }
  return sizes
}
const title = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '')

/** The first or last line of a page that is a page number, or repeats a title which is set larger elsewhere. */
function isRunning(
  piece: Piece,
  pieces: readonly Piece[],
  page: Page,
  titles: ReadonlyMap<string, number>,
): boolean {
  const isOuter =
    piece.baseline < page.height / 2
      ? pieces.every(({ baseline }) => baseline > piece.baseline - 6)
      : pieces.every(({ baseline }) => baseline < piece.baseline + 6)
  if (!isOuter) return false
  if (/^[-–— ]*(?:page|sheet|p\.)?\s*\d{1,3}(?:\s*(?:\/|of)\s*\d{1,3})?[-–— ]*$/i.test(piece.text))
    return true
  return [...titles].some(
    ([text, size]) => text.length > 4 && size > 1.15 * piece.size && title(piece.text).endsWith(text),
  )
}
