import sharp from 'sharp'
import type { Content, TableCell } from 'pdfmake/interfaces.js'
import type { Block, Cell } from '@plumb-mark/report'
import { isSignature } from '../../evidence/signature.js'
import { PADDING, QUIET, SMALLEST, heads, verdictMark } from './look.js'

/** Finds the file of a photo's small copy. */
export type PhotoFile = (photoId: string) => Promise<string>

interface Setting {
  /** Of the page between its margins, pt. */
  width: number
  photoFile: PhotoFile
}

/** Signs that the face of figures does not have. */
const NOT_IN_FIGURES = /[Ω≤≥√→Δφ]/

const PHOTO = { w: 158, h: 118 }
const LABELS = 92

/** Blocks of a report as pdfmake takes them. */
export async function setBlocks(blocks: readonly Block[], setting: Setting): Promise<Content[]> {
  const set: Content[] = []
  let heading: string | undefined
  for (const [i, block] of blocks.entries()) {
    // The heading of a table is its first row: it never stays behind, and stands above what goes on on the next page.
    if (block.kind === 'heading' && blocks[i + 1]?.kind === 'table') {
      heading = block.text
      continue
    }
    set.push(block.kind === 'table' ? setTable(block, setting, heading) : await setBlock(block, setting))
    heading = undefined
  }
  return set
}

async function setBlock(block: Block, setting: Setting): Promise<Content> {
  switch (block.kind) {
    case 'heading':
      return { text: block.text, style: 'heading', headlineLevel: 2 }
    case 'text':
      return { text: block.text, ...(block.as && { style: block.as }), margin: [0, 3, 0, 3] }
    case 'verdict':
      return block.text === ''
        ? ''
        : { stack: [verdictMark(block.verdict, block.text, 12)], fontSize: 11, margin: [0, 5, 0, 7] }
    case 'list':
      return { ul: [...block.items], margin: [0, 2, 0, 4] }
    case 'facts':
      return {
        table: {
          widths: [LABELS, '*'],
          body: block.rows.map(([label, value]) => [{ text: label, style: 'head' }, setCell(value)]),
        },
        layout: QUIET,
      }
    case 'table':
      return setTable(block, setting)
    case 'drawing':
      return {
        unbreakable: true,
        stack: [
          { svg: block.svg, fit: [setting.width, block.height], alignment: 'center' },
          ...(block.caption ? [{ text: block.caption, style: 'quiet' } as const] : []),
        ],
        margin: [0, 4, 0, 6],
      }
    case 'photos':
      return setPhotos(block, setting)
    case 'together':
      return { unbreakable: true, stack: await setBlocks(block.blocks, setting) }
    case 'image':
      if (block.wide) return { image: await asPng(block.data), fit: [setting.width, block.height] }
      return (await isSignature(block.data))
        ? { image: block.data, fit: [220, block.height], margin: [0, 6, 0, 4] }
        : { text: 'the drawing cannot be shown', style: 'quiet' }
    case 'code':
      return {
        columns: [
          { qr: block.address, fit: 96, width: 110 },
          {
            stack: [{ text: block.caption }, { text: block.address, style: 'figure' }],
            margin: [0, 12, 0, 0],
          },
        ],
        margin: [0, 4, 0, 10],
      }
  }
}

function setTable(
  { columns, rows }: Extract<Block, { kind: 'table' }>,
  { width }: Setting,
  heading?: string,
): Content {
  const shares = columns.map(({ share = 1 }) => share)
  const whole = shares.reduce((sum, share) => sum + share, 0)
  const title: TableCell[][] =
    heading === undefined
      ? []
      : [[{ text: heading, style: 'heading', colSpan: columns.length }, ...columns.slice(1).map(() => '')]]
  return {
    table: {
      headerRows: 1 + title.length,
      dontBreakRows: true,
      keepWithHeaderRows: 1,
      widths: shares.map((share) => (share / whole) * width - PADDING),
      body: [...title, heads(...columns.map(({ head }) => head)), ...rows.map((row) => row.map(setCell))],
    },
    layout: { ...QUIET, hLineWidth: (row: number) => (row <= title.length ? 0 : QUIET.hLineWidth(row)) },
    fontSize: SMALLEST,
    margin: [0, 0, 0, 4],
  }
}

function setCell(cell: Cell): TableCell {
  if (typeof cell === 'string') return cell
  if (isLines(cell)) return { stack: cell.map((line) => setCell(line) as Content) }
  if ('verdict' in cell) return verdictMark(cell.verdict) as TableCell
  if ('line' in cell) return { text: cell.line.map((one) => setCell(one) as Content) }
  return { text: cell.text, style: cell.as, ...(NOT_IN_FIGURES.test(cell.text) && { font: 'Barlow' }) }
}

const isLines = (cell: Cell): cell is readonly Cell[] => Array.isArray(cell)

async function setPhotos(
  { photos }: Extract<Block, { kind: 'photos' }>,
  { width, photoFile }: Setting,
): Promise<Content> {
  const across = Math.floor(width / (PHOTO.w + 8))
  const pictures = await Promise.all(
    photos.map(async ({ photo, label }): Promise<Content> => {
      const png = await photoFile(photo.id)
        .then((file) => sharp(file).png().toBuffer())
        .catch(() => undefined)
      const shown: Content = png
        ? { image: `data:image/png;base64,${png.toString('base64')}`, fit: [PHOTO.w, PHOTO.h] }
        : { text: 'the file of this photo cannot be read', style: 'quiet' }
      const said = [label, photo.caption].filter(Boolean).join(': ')
      return { stack: [shown, { text: said, style: 'quiet' }] }
    }),
  )
  const rows = Array.from({ length: Math.ceil(pictures.length / across) }, (_, row) =>
    pictures.slice(row * across, (row + 1) * across),
  )
  return { stack: rows.map((columns) => ({ columns, columnGap: 8, margin: [0, 4, 0, 4] })) }
}

/** The setter of pages takes no other pictures than PNG and JPEG. */
async function asPng(data: string): Promise<string> {
  const png = await sharp(Buffer.from(data.slice(data.indexOf(',') + 1), 'base64'))
    .png({ palette: true })
    .toBuffer()
  return `data:image/png;base64,${png.toString('base64')}`
}
