import type { Page } from './page/page.js'
import { readManual, type ManualFacts } from './read-manual.js'
import { openPdf, readPage, type PdfLibrary } from './source/pdf.js'
import { isScan, readScan, type Recogniser, type SurfaceOf } from './source/scan.js'
import { Unreadable } from './source/unreadable.js'

/** What reads: the browser's worker and the command line each bring their own. */
export interface Reader {
  pdf: PdfLibrary
  surfaceOf: SurfaceOf
  /** Started when the first page without text is met, and never before. */
  startRecogniser(): Promise<Recogniser>
}

export interface ReadingOptions {
  model?: string | undefined
  password?: string | undefined
  /** Told after each page; `seen` when it was read off a picture. */
  onPage?(done: number, of: number, seen: boolean): void
  /** Ends the work after the page at hand. */
  signal?: AbortSignal
}

export interface ReadFile extends ManualFacts {
  /** `words` are those of the page as they are set, to search in. */
  pages: { number: number; width: number; height: number; fromPicture: boolean; words: string }[]
  title: string
}

/** A manual read from its file, page by page. Refused as `Unreadable`; nothing is kept of a file that was not read to its end. */
export async function readManualFile(
  { pdf, surfaceOf, startRecogniser }: Reader,
  bytes: Uint8Array,
  { model, password, onPage, signal }: ReadingOptions = {},
): Promise<ReadFile> {
  const { document, close } = await openPdf(pdf, bytes, password)
  let recogniser: Recogniser | undefined
  try {
    const pages: Page[] = []
    const ahead = aheadOf(document.numPages, (number) => readPage(pdf, document, number))
    for (let number = 1; number <= document.numPages; number++) {
      if (signal?.aborted) throw new Unreadable('stopped', 'reading was stopped')
      let page = await ahead(number)
      if (isScan(page) && page.pictures > 0) {
        recogniser ??= await startRecogniser()
        page = { ...(await readScan(document, number, recogniser, surfaceOf)), pictures: page.pictures }
      }
      pages.push(page)
      onPage?.(number, document.numPages, page.fromPicture)
    }
    return {
      ...readManual(pages, { model }),
      title: await titleOf(document),
      pages: pages.map(({ number, width, height, fromPicture, items }) => ({
        number,
        width,
        height,
        fromPicture,
        words: items.map(({ text }) => text).join(' '),
      })),
    }
  } finally {
    await recogniser?.end()
    await close()
  }
}

/** So many pages are asked for at once: the parser works on the next ones while this one is looked at. */
const AHEAD = 4

/** Page after page, each begun some pages before it is wanted. */
function aheadOf(last: number, read: (number: number) => Promise<Page>): (number: number) => Promise<Page> {
  const begun = new Map<number, Promise<Page>>()
  return (number) => {
    for (let next = number; next < number + AHEAD && next <= last; next++) {
      if (begun.has(next)) continue
      const page = read(next)
      // What fails is told when its page is wanted, or not at all where reading ended before it.
      page.catch(() => undefined)
      begun.set(next, page)
    }
    const wanted = begun.get(number)!
    begun.delete(number)
    return wanted
  }
}

async function titleOf(document: {
  getMetadata(): Promise<{ info: Record<string, unknown> }>
}): Promise<string> {
  const { info } = await document.getMetadata().catch(() => ({ info: {} as Record<string, unknown> }))
  return typeof info['Title'] === 'string' ? info['Title'].slice(0, 200) : ''
}
