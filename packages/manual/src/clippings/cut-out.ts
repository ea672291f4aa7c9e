import type { Clipping, PlaceInManual } from '@plumb-mark/core'
import type { PdfDocument } from '../source/pdf.js'

/** A canvas from which pieces are cut, as small pictures. The browser and the command line bring their own. */
export interface CuttingTable {
  context: unknown
  /** A piece of it, in its own dots, as a data address. */
  cut(x: number, y: number, width: number, height: number): Promise<string>
}

/** Small, and still read on a telephone held at arm’s length. */
const DOTS_A_POINT = 1.5
/** What stands around a figure says what it is about. */
const AROUND = 26
const TALLEST = 260

/** The cut-outs of places, each a strip over the whole width of its page; every page is drawn once. Places without a box have none. */
export async function cutOuts(
  document: PdfDocument,
  places: readonly PlaceInManual[],
  tableOf: (width: number, height: number) => CuttingTable,
  onPage: (done: number, of: number) => void = () => undefined,
): Promise<Clipping[]> {
  const cut: Clipping[] = []
  const wanted = distinct(places).filter(({ page }) => page <= document.numPages)
  const pages = [...new Set(wanted.map(({ page }) => page))]
  for (const [i, number] of pages.entries()) {
    const page = await document.getPage(number)
    const viewport = page.getViewport({ scale: DOTS_A_POINT })
    const table = tableOf(Math.ceil(viewport.width), Math.ceil(viewport.height))
    await page.render({ canvasContext: table.context, canvas: null, viewport, background: 'white' }).promise
    for (const { box } of wanted.filter((place) => place.page === number)) {
      const [, top = 0, , bottom = 0] = box!
      const height = viewport.height / DOTS_A_POINT
      const from = Math.max(0, Math.floor(top - AROUND))
      const to = Math.min(Math.ceil(height), Math.ceil(Math.min(bottom, top + TALLEST) + AROUND))
      const width = viewport.width / DOTS_A_POINT
      cut.push({
        page: number,
        box: box!,
        area: [0, from, Math.round(width), to],
        picture: await table.cut(
          0,
          Math.round(from * DOTS_A_POINT),
          Math.ceil(viewport.width),
          Math.round((to - from) * DOTS_A_POINT),
        ),
      })
    }
    page.cleanup()
    onPage(i + 1, pages.length)
  }
  return cut
}

const distinct = (places: readonly PlaceInManual[]): PlaceInManual[] => [
  ...new Map(
    places.flatMap((place) =>
      place.box?.length === 4 ? [[`${place.page} ${place.box.join()}`, place] as const] : [],
    ),
  ).values(),
]
