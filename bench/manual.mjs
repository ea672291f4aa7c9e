import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import pdfmake from 'pdfmake'
import { readManualFile } from '../packages/manual/dist/index.js'
import { nodeReader } from '../packages/manual/dist/node.js'
import { at } from '../scripts/shared.mjs'
import { median, ms, table } from './reference.mjs'
import { withInspector } from './server.mjs'
import { timed } from './serve.mjs'

const PORT = 4397
const PAGES = 24
const load = createRequire(import.meta.url)
const font = load.resolve('@expo-google-fonts/barlow/400Regular/Barlow_400Regular.ttf')

/** What somebody waits for who brings a maker's manual: its text, a page that is a picture, and the screen meanwhile. */
export async function run() {
  const text = await manualOf(PAGES)
  const reader = await nodeReader()
  const inNode = []
  for (let i = 0; i < 3; i++) inNode.push(await timed(() => readManualFile(reader, text.slice())))
  const scan = await scanned(reader)
  const picture = await timed(() => readManualFile(reader, scan.slice()))
  const { read, longest } = await inBrowser(text)
  table([
    [`a manual of ${PAGES} pages, command line`, ms(median(inNode)), ''],
    [`the same in the browser’s worker, from the file to the list`, ms(read), 'under 3 s'],
    ['longest wait of the screen meanwhile', ms(longest), 'under 50 ms'],
    ['a scanned page, with starting the recogniser', ms(picture), 'under 8 s'],
  ])
}

pdfmake.setFonts({ Barlow: { normal: font, bold: font } })
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path) => path === font)
const set = async (content) =>
  new Uint8Array(
    await pdfmake.createPdf({ content, defaultStyle: { font: 'Barlow', fontSize: 10 } }).getBuffer(),
  )

/** Pages as a manual has them: a heading, text of which some sentences demand something, a table now and then. */
function manualOf(pages) {
  const plain =
    'The work is for people who hold the licence of the place. Look for dents before the carton is opened, and keep the papers with the plan of the house; whoever comes next will ask for them.'
  const page = (n) => [
    { text: `${n}.1 Distances and fastening`, fontSize: 14, ...(n > 1 && { pageBreak: 'before' }) },
    ...Array.from(
      { length: 12 },
      (_, i) =>
        `${plain} ${i % 4 === 0 ? `Keep at least ${200 + n + i} mm free to the left. Tighten the screws of the cover with ${1 + i / 10} N·m.` : ''}`,
    ),
    ...(n % 3 === 0
      ? [
          {
            table: {
              body: [
                ['Terminal', 'Wire', 'Torque'],
                ...Array.from({ length: 6 }, (_, i) => [`X${i}`, `${1 + i} mm²`, `${2 + i / 10} N·m`]),
              ],
            },
          },
        ]
      : []),
  ]
  return set(Array.from({ length: pages }, (_, i) => page(i + 1)).flat())
}

/** A page of the sample manual as a picture of itself. */
async function scanned({ pdf, surfaceOf }) {
  const data = new Uint8Array(readFileSync(at('samples', 'manuals', 'aldervane-ah-8t-d.pdf')))
  const task = pdf.getDocument({ data, verbosity: 0 })
  const page = await (await task.promise).getPage(3)
  const viewport = page.getViewport({ scale: 160 / 72 })
  const surface = surfaceOf(Math.ceil(viewport.width), Math.ceil(viewport.height))
  await page.render({ canvasContext: surface.context, canvas: null, viewport, background: 'white' }).promise
  const picture = Buffer.from(await surface.picture()).toString('base64')
  await task.destroy()
  return set([{ image: `data:image/png;base64,${picture}`, width: 515 }])
}

async function inBrowser(text) {
  let result
  await withInspector(PORT, async (page) => {
    await page.goto(`http://127.0.0.1:${PORT}/sheets/from-manual`)
    await page.evaluate(() => {
      let last = performance.now()
      window.longest = 0
      const look = (now) => {
        window.longest = Math.max(window.longest, now - last)
        last = now
        if (!window.done) requestAnimationFrame(look)
      }
      requestAnimationFrame(look)
    })
    const read = await timed(async () => {
      await page.setInputFiles('input[aria-label="Manual"]', {
        name: 'manual.pdf',
        mimeType: 'application/pdf',
        buffer: Buffer.from(text),
      })
      await page.getByText('page 1 of').waitFor()
      result = { longest: await page.evaluate(() => ((window.done = true), window.longest)) }
      await page.getByText('to look at').waitFor()
    })
    result.read = read
  })
  return result
}
