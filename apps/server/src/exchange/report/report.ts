import pdfmake from 'pdfmake'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js'
import { fingerprint } from '@plumb-mark/core'
import type { Reported } from './reported.js'
import { FONTS, FONT_FILES } from './fonts.js'
import { calculationPages } from './calculations.js'
import { checkPages } from './checks.js'
import { defectPages, type PhotoFile } from './defects.js'
import { frontPage } from './front.js'
import { TEXT, FAINT, STYLES } from './look.js'
import { signaturePage } from './signature.js'
import { wallPages } from './walls.js'

pdfmake.setFonts(FONTS)
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => FONT_FILES.has(path))

/** The report of a job as PDF: what was judged, by which sheets, with which readings, and who signed. */
export async function report(record: Reported, photoFile: PhotoFile): Promise<Buffer> {
  return pdfmake.createPdf(await definition(record, photoFile)).getBuffer()
}

async function definition(record: Reported, photoFile: PhotoFile): Promise<TDocumentDefinitions> {
  const { inspection } = record
  const { header, seal, head } = inspection.state
  const name = `${header?.number ?? ''} ${header?.title ?? ''}`
  const content: Content[] = [
    frontPage(record),
    ...wallPages(inspection),
    ...checkPages(inspection),
    calculationPages(inspection),
    await defectPages(inspection, photoFile),
    await signaturePage(record),
  ]
  return {
    pageSize: 'A4',
    pageMargins: [48, 64, 48, 60],
    info: { title: `Inspection record ${name}`, creator: 'Plumb Mark', producer: 'Plumb Mark' },
    defaultStyle: { font: 'Barlow', fontSize: 9.5, lineHeight: 1.18, color: TEXT },
    styles: STYLES,
    header: (page) =>
      page === 1
        ? ''
        : {
            columns: [
              { text: name },
              { text: seal ? 'signed and sealed' : 'not signed', alignment: 'right' },
            ],
            margin: [48, 30, 48, 0],
            color: FAINT,
            fontSize: 8.5,
          },
    footer: (page, pages) => ({
      margin: [48, 18, 48, 0],
      color: FAINT,
      fontSize: 8,
      columns: [
        { text: `fingerprint ${fingerprint(head?.hash ?? '')}`, font: 'Figures', fontSize: 7 },
        { text: `${page} / ${pages}`, alignment: 'right', width: 60 },
      ],
    }),
    content,
  }
}
