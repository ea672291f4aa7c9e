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
/** Of print this wide every word is read on a telephone; what a figure belongs to stands mostly to its left. */
const NARROWEST = 320

function areaAround(
  [x0 = 0, top = 0, x1 = 0, bottom = 0]: readonly number[],
  { width, height }: { width: number; height: number },
): number[] {
  const left = Math.max(0, Math.floor(Math.min(x0 - MARGIN, x1 + MARGIN - NARROWEST)))
  const right = Math.min(width, Math.max(x1 + MARGIN, left + NARROWEST))
  return [
    left,
    Math.max(0, Math.floor(top - AROUND)),
    Math.floor(right),
    Math.min(Math.floor(height), Math.ceil(Math.min(bottom, top + TALLEST) + AROUND)),
  ]
}
const MARGIN = 12

/** The cut-outs of places, each with what stands around it; every page is drawn once. Places without a box have none. */
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
      const size = { width: viewport.width / DOTS_A_POINT, height: viewport.height / DOTS_A_POINT }
      const area = areaAround(box!, size)
      const [left, top, right, bottom] = area.map((edge) => Math.round(edge * DOTS_A_POINT))
      cut.push({
        page: number,
        box: box!,
        area,
        picture: await table.cut(left!, top!, right! - left!, bottom! - top!),
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
