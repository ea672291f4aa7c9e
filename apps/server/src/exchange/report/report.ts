import pdfmake from 'pdfmake'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { fingerprint } from '@plumb-mark/core'
import { reportOf, type Block, type PartId, type ReportRecord } from '@plumb-mark/report'
import type { Letterhead, Paper } from '@plumb-mark/contract'
import { setBlocks, type PhotoFile } from './blocks.js'
import { FONTS, FONT_FILES } from './fonts.js'
import { FAINT, SMALLEST, STYLES, TEXT } from './look.js'

pdfmake.setFonts(FONTS)
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => FONT_FILES.has(path))

export interface ReportWish {
  parts: readonly PartId[]
  paper: Paper
  letterhead: Letterhead
}

/** Edges of the paper, portrait, pt. */
const SHEETS = {
  a4: { size: 'A4', w: 595.28, h: 841.89 },
  letter: { size: 'LETTER', w: 612, h: 792 },
} as const
const MARGIN = { side: 35, top: 47, bottom: 40 }
/** Room that a title keeps below itself, so that it does not stay behind alone at the foot of a page, pt. */
const ROOM = 64
/** Below this many parts a list of contents says nothing that the page itself does not. */
const WORTH_CONTENTS = 4

/** The report of a job as PDF: what was judged, by which sheets, with which readings, and who signed. */
export async function report(record: ReportRecord, wish: ReportWish, photoFile: PhotoFile): Promise<Buffer> {
  return pdfmake.createPdf(await definition(record, wish, photoFile)).getBuffer()
}

async function definition(
  record: ReportRecord,
  { parts: wanted, paper, letterhead }: ReportWish,
  photoFile: PhotoFile,
): Promise<TDocumentDefinitions> {
  const { inspection } = record
  const { header, seal, head } = inspection.state
  const name = `${header?.number ?? ''} ${header?.title ?? ''}`
  const sheet = SHEETS[paper]
  const parts = reportOf(record, wanted)
  const content: Content[] = [masthead(letterhead, header?.title ?? '')]
  let turned = false
  for (const [i, part] of parts.entries()) {
    const turns = (part.turned ?? false) !== turned
    turned = part.turned ?? false
    const width = (turned ? sheet.h : sheet.w) - 2 * MARGIN.side
    const heading = {
      text: part.title,
      style: 'part',
      headlineLevel: 1,
      tocItem: i > 0,
      outline: true,
      outlineText: part.title,
    } as Content
    const set = await setBlocks(part.blocks, { width, photoFile })
    const fresh = turns || (part.ownPage && i > 0)
    const breaks = fresh && {
      pageBreak: 'before' as const,
      pageOrientation: turned ? ('landscape' as const) : ('portrait' as const),
    }
    const [first, ...rest] = set
    // A drawing goes to the next page together with its title; what breaks begins in the room that the title kept.
    const whole = part.blocks[0] && isWhole(part.blocks[0])
    content.push(
      whole
        ? { unbreakable: true, stack: [heading, first!], ...breaks }
        : {
            unbreakable: true,
            stack: [heading, { text: ' ', fontSize: 1, margin: [0, 0, 0, ROOM] }],
            ...breaks,
          },
      ...(whole ? rest : [{ stack: [first!], margin: [0, -ROOM - 1, 0, 0] } as Content, ...rest]),
    )
    if (i === 0 && parts.length >= WORTH_CONTENTS) content.push(contents())
  }
  return {
    pageSize: sheet.size,
    pageMargins: [MARGIN.side, MARGIN.top, MARGIN.side, MARGIN.bottom],
    info: { title: `Inspection report ${name}`, creator: 'Plumb Mark', producer: 'Plumb Mark' },
    defaultStyle: { font: 'Barlow', fontSize: 9, lineHeight: 1.06, color: TEXT },
    styles: STYLES,
    header: (page) =>
      page === 1
        ? ''
        : {
            columns: [
              { text: name },
              { text: seal ? 'signed and sealed' : 'not signed', alignment: 'right' },
            ],
            margin: [MARGIN.side, 22, MARGIN.side, 0],
            color: FAINT,
            fontSize: SMALLEST,
          },
    footer: (page, pages) => ({
      margin: [MARGIN.side, 13, MARGIN.side, 0],
      color: FAINT,
      fontSize: SMALLEST,
      columns: [
        { text: `fingerprint ${fingerprint(head?.hash ?? '')}`, font: 'Figures' },
        { text: `page ${page} of ${pages}`, alignment: 'right', width: 80 },
      ],
    }),
    content,
  }
}

const PLUMB = `<svg viewBox="0 0 24 60" width="20" height="50"><g fill="none" stroke="#22211d" stroke-width="1.4"><path d="M12 0 V34"/><path d="M6 34 H18 L12 58 Z" fill="#a9853a" stroke="#6d5313"/></g></svg>`

const isWhole = ({ kind }: Block): boolean => kind === 'drawing' || kind === 'together'

/** Who made the report, and of what. */
function masthead({ name, lines, logo }: Letterhead, title: string): Content {
  const office: Content[] = name
    ? [
        { text: name, bold: true, alignment: 'right' },
        ...lines.map((text): Content => ({ text, style: 'quiet', alignment: 'right' })),
      ]
    : []
  return {
    columns: [
      logo ? { image: logo, fit: [110, 52], width: 120 } : { svg: PLUMB, width: 30 },
      { text: title, style: 'title', width: '*', margin: [0, 8, 0, 0] },
      ...(office.length > 0 ? [{ stack: office, width: 150 }] : []),
    ],
    margin: [0, 0, 0, 4],
  }
}

const contents = (): Content => ({
  stack: [
    { text: 'Contents', style: 'heading' },
    { toc: { textMargin: [0, 0, 0, 0], numberStyle: { font: 'Figures', fontSize: SMALLEST } } } as Content,
  ],
  unbreakable: true,
})
