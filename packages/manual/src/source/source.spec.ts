import pdfmake from 'pdfmake'
import { createRequire } from 'node:module'
import { clippingsText, readClippings } from '@plumb-mark/core'
import { cutOuts } from '../clippings/cut-out.js'
import { nodeCuttingTable, nodeReader } from '../node.js'
import { openPdf } from './pdf.js'
import { readManualFile } from '../read-file.js'
import type { Unreadable } from './unreadable.js'

const load = createRequire(import.meta.url)
const file = load.resolve('@expo-google-fonts/barlow/400Regular/Barlow_400Regular.ttf')
pdfmake.setFonts({ Barlow: { normal: file, bold: file } })
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => path === file)

const made = async (more: object = {}, text = 'Tighten the terminal screws to 2.5 N·m.') =>
  new Uint8Array(
    await pdfmake
      .createPdf({ content: ['4.2 Terminals', text], defaultStyle: { font: 'Barlow' }, ...more })
      .getBuffer(),
  )
const read = async (bytes: Uint8Array, options = {}) => readManualFile(await nodeReader(), bytes, options)
const refusal = (bytes: Uint8Array, options = {}) =>
  read(bytes, options).then(
    () => 'read',
    ({ code }: Unreadable) => code,
  )

describe('a file that is brought as a manual', () => {
  it('is read page by page, and told so', async () => {
    const told: [number, number][] = []
    const { facts, pages } = await read(await made(), {
      onPage: (done: number, of: number) => told.push([done, of]),
    })
    expect(facts).toMatchObject([{ kind: 'torque', value: 2.5, page: 1 }])
    expect(pages).toMatchObject([{ number: 1, fromPicture: false }])
    expect(told).toEqual([[1, 1]])
  })

  it('without a demand of an installation is an empty list', async () => {
    expect((await read(await made({}, 'A poem about the sea.'))).facts).toEqual([])
  })

  it.each([
    ['no PDF at all', () => Promise.resolve(new TextEncoder().encode('notes of a visit')), 'not-a-pdf'],
    ['empty', () => Promise.resolve(new Uint8Array()), 'not-a-pdf'],
    ['cut off in the middle', async () => (await made()).subarray(0, 700), 'broken'],
  ])('%s is refused with its reason', async (_name, bytes, code) => {
    expect(await refusal(await bytes())).toBe(code)
  })

  it('locked asks for its password, and opens with it', async () => {
    const locked = await made({ userPassword: 'bob', ownerPassword: 'brass' })
    expect(await refusal(locked.slice())).toBe('locked')
    expect(await refusal(locked.slice(), { password: 'wrong' })).toBe('locked')
    expect((await read(locked, { password: 'bob' })).facts).toHaveLength(1)
  })

  it('that only its owner may change opens without one', async () => {
    expect((await read(await made({ ownerPassword: 'brass' }))).facts).toHaveLength(1)
  })

  it('stops after the page at hand when it is called off', async () => {
    const stop = new AbortController()
    stop.abort()
    expect(await refusal(await made(), { signal: stop.signal })).toBe('stopped')
  })

  it('of more pages than a manual has is refused before one is read', async () => {
    const many = await made({
      content: Array.from({ length: 601 }, () => ({ text: 'x', pageBreak: 'after' })),
    })
    expect(await refusal(many)).toBe('too-many-pages')
  })
})

it('places of its pages are cut out, each once, with what stands around them', async () => {
  const { pdf } = await nodeReader()
  const { document, close } = await openPdf(pdf, await made())
  const place = { page: 1, box: [40, 60, 200, 72] }
  const told: [number, number][] = []
  const cut = await cutOuts(
    document,
    [place, place, { page: 1 }, { page: 9, box: [0, 0, 1, 1] }],
    await nodeCuttingTable(),
    (done, of) => told.push([done, of]),
  )
  await close()
  expect(told).toEqual([[1, 1]])
  expect(cut).toMatchObject([{ page: 1, box: place.box, area: [0, 34, 320, 98] }])
  expect(readClippings(clippingsText('a'.repeat(64), cut)).clippings).toEqual(cut)
})
