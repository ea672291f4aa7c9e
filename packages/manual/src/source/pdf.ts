import { upright, type PlacedItem } from '../page/upright.js'
import { boxAround, type Page, type Rule } from '../page/page.js'
import { Unreadable } from './unreadable.js'

/** As much of the library as is used: the program that reads hands it in, since the browser and the command line load different builds. */
export interface PdfLibrary {
  getDocument(source: object): { promise: Promise<PdfDocument>; destroy(): Promise<void> }
  OPS: Record<string, number>
  PermissionFlag?: unknown
}
export interface PdfDocument {
  numPages: number
  getPage(number: number): Promise<PdfPage>
  getMetadata(): Promise<{ info: Record<string, unknown> }>
}
export interface PdfPage {
  getViewport(options: { scale: number }): PdfViewport
  getTextContent(
    options?: object,
  ): Promise<{ items: unknown[]; styles: Record<string, { fontFamily?: string }> }>
  getOperatorList(): Promise<{ fnArray: number[]; argsArray: unknown[][] }>
  render(options: object): { promise: Promise<void> }
  commonObjs: { has(name: string): boolean; get(name: string): { name?: string } | null }
  cleanup(): void
}
export interface PdfViewport {
  width: number
  height: number
  transform: number[]
}

export const LIMITS = {
  bytes: 100 * 1024 * 1024,
  pages: 600,
  itemsOfAPage: 60_000,
  pixels: 40_000_000,
} as const

/** Opens a document; scripts in it are never run, attachments never opened, nothing is fetched. Refusals are `Unreadable` with a code. */
export async function openPdf(
  pdf: PdfLibrary,
  bytes: Uint8Array,
  password?: string,
): Promise<{ document: PdfDocument; close(): Promise<void> }> {
  if (bytes.length > LIMITS.bytes) throw new Unreadable('too-large', 'the file is larger than 100 MB')
  if (!startsAsPdf(bytes)) throw new Unreadable('not-a-pdf', 'this is not a PDF file')
  let loading: ReturnType<PdfLibrary['getDocument']> | undefined
  try {
    loading = pdf.getDocument({
      data: bytes,
      ...(password !== undefined && { password }),
      isEvalSupported: false,
      enableXfa: false,
      disableFontFace: true,
      useSystemFonts: false,
      stopAtErrors: false,
      maxImageSize: LIMITS.pixels,
      verbosity: 0,
    })
    const opened = loading
    const document = await opened.promise
    if (document.numPages > LIMITS.pages)
      throw new Unreadable('too-many-pages', `${document.numPages} pages: at most ${LIMITS.pages} are read`)
    return { document, close: () => opened.destroy() }
  } catch (problem) {
    await loading?.destroy().catch(() => undefined)
    throw problem instanceof Unreadable ? problem : refusal(problem)
  }
}

function startsAsPdf(bytes: Uint8Array): boolean {
  return new TextDecoder('latin1').decode(bytes.subarray(0, 1024)).includes('%PDF-')
}

function refusal(problem: unknown): Unreadable {
  const name = problem instanceof Error ? problem.name : ''
  if (name === 'PasswordException')
    return new Unreadable('locked', 'the file is locked: its password is needed')
  return new Unreadable('broken', 'the file is cut short or broken: it cannot be opened as a PDF')
}

/** Text and drawn lines of one page, turned upright. */
export async function readPage(pdf: PdfLibrary, document: PdfDocument, number: number): Promise<Page> {
  const page = await document.getPage(number)
  const viewport = page.getViewport({ scale: 1 })
  const [content, operators] = await Promise.all([page.getTextContent(), page.getOperatorList()])
  if (content.items.length > LIMITS.itemsOfAPage)
    throw new Unreadable('too-much-text', `page ${number} holds more text than a page of a manual`)
  const placed = (content.items as RawItem[])
    .filter(({ str }) => typeof str === 'string' && str !== '')
    .map((item) => placedItem(item, viewport, isBold(page, item.fontName)))
  const rules = rulesOf(pdf.OPS, operators, viewport)
  page.cleanup()
  const pictures = operators.fnArray.filter((code) => PICTURES.some((name) => pdf.OPS[name] === code)).length
  return { number, ...upright(viewport.width, viewport.height, placed, rules), fromPicture: false, pictures }
}

const PICTURES = ['paintImageXObject', 'paintInlineImageXObject', 'paintImageMaskXObject']

interface RawItem {
  str: string
  transform: number[]
  width: number
  fontName: string
}

const placedItem = (
  { str, transform, width }: RawItem,
  viewport: PdfViewport,
  bold: boolean,
): PlacedItem => ({
  text: str,
  matrix: times(viewport.transform, transform),
  width,
  bold,
})

function isBold(page: PdfPage, font: string): boolean {
  if (!page.commonObjs.has(font)) return false
  return /bold|black|heavy|semibold|demi/i.test(page.commonObjs.get(font)?.name ?? '')
}

/** The product of two matrices of a page: first `b`, then `a`. */
function times(a: readonly number[], b: readonly number[]): number[] {
  const [a0, a1, a2, a3, a4, a5] = a as [number, number, number, number, number, number]
  const [b0, b1, b2, b3, b4, b5] = b as [number, number, number, number, number, number]
  return [
    a0 * b0 + a2 * b1,
    a1 * b0 + a3 * b1,
    a0 * b2 + a2 * b3,
    a1 * b2 + a3 * b3,
    a0 * b4 + a2 * b5 + a4,
    a1 * b4 + a3 * b5 + a5,
  ]
}

/** Thinner than this a filled box is a line. */
const THIN = 2.5

/** The straight lines that were drawn: strokes, and boxes as thin as one. */
function rulesOf(
  ops: Record<string, number>,
  { fnArray, argsArray }: { fnArray: number[]; argsArray: unknown[][] },
  viewport: PdfViewport,
): Rule[] {
  const rules: Rule[] = []
  const strokes = new Set(Object.keys(ops).flatMap((name) => (/stroke$/i.test(name) ? [ops[name]!] : [])))
  const stack: number[][] = []
  let matrix = viewport.transform
  fnArray.forEach((code, i) => {
    const args = argsArray[i] ?? []
    if (code === ops['save']) stack.push(matrix)
    else if (code === ops['restore']) matrix = stack.pop() ?? matrix
    else if (code === ops['transform']) matrix = times(matrix, args as number[])
    else if (code === ops['constructPath']) rules.push(...rulesOfPath(args, strokes, matrix))
  })
  return rules
}

/** What is drawn along is lines; what is filled is one only where it is as thin as a line: the ground of a field is none. */
function rulesOfPath(args: unknown[], strokes: ReadonlySet<number>, matrix: readonly number[]): Rule[] {
  const rules = linesOf(args).flatMap((line) => asRule(line, matrix))
  if (strokes.has(args[0] as number) || rules.length === 0) return rules
  const box = boxAround(rules)
  const [wide, high] = [box.x1 - box.x0, box.bottom - box.top]
  return Math.min(wide, high) <= THIN ? [{ ...box, across: wide > high }] : []
}

type Segment = readonly [number, number, number, number]
const DRAW = { move: 0, line: 1, curve: 2, quadratic: 3, close: 4 } as const

/** The straight parts of a path: a list of drawing codes, each with its coordinates. */
function linesOf(args: unknown[]): Segment[] {
  const path = (args[1] as (Float32Array | number[] | null)[] | undefined)?.[0]
  if (!path) return []
  const lines: Segment[] = []
  let [x, y, startX, startY] = [0, 0, 0, 0]
  const to = (nextX: number, nextY: number) => {
    lines.push([x, y, nextX, nextY])
    ;[x, y] = [nextX, nextY]
  }
  for (let i = 0; i < path.length;) {
    const code = path[i++]
    if (code === DRAW.move) [x, y, startX, startY] = [path[i]!, path[i + 1]!, path[i]!, path[i + 1]!]
    if (code === DRAW.move) i += 2
    else if (code === DRAW.line) {
      to(path[i]!, path[i + 1]!)
      i += 2
    } else if (code === DRAW.curve) {
      ;[x, y] = [path[i + 4]!, path[i + 5]!]
      i += 6
    } else if (code === DRAW.quadratic) {
      ;[x, y] = [path[i + 2]!, path[i + 3]!]
      i += 4
    } else if (code === DRAW.close) to(startX, startY)
    else break
  }
  return lines
}

/** Where a point lands on the page. */
function pointOf(matrix: readonly number[], x: number, y: number): [number, number] {
  const moved = times(matrix, [1, 0, 0, 1, x, y])
  return [moved[4]!, moved[5]!]
}

function asRule([x0, y0, x1, y1]: Segment, matrix: readonly number[]): Rule[] {
  const [[xa, ya], [xb, yb]] = [pointOf(matrix, x0, y0), pointOf(matrix, x1, y1)]
  const [wide, high] = [Math.abs(xa - xb), Math.abs(ya - yb)]
  if (Math.min(wide, high) > THIN / 4 || Math.max(wide, high) < THIN) return []
  const box = { x0: Math.min(xa, xb), x1: Math.max(xa, xb), top: Math.min(ya, yb), bottom: Math.max(ya, yb) }
  return [{ ...box, across: wide > high }]
}
