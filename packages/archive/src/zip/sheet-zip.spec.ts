import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { buffer } from 'node:stream/consumers'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ZipFile } from 'yazl'
import { openSheetZip, writeSheetZip, type KeptSheet } from './sheet-zip.js'

const folder = mkdtempSync(join(tmpdir(), 'plumb-mark-sheets-'))
afterAll(() => rmSync(folder, { recursive: true }))
let count = 0
const onDisk = (content: string | Uint8Array): string => {
  const file = join(folder, `${count++}`)
  writeFileSync(file, content)
  return file
}
const SOURCE = readFileSync('samples/sheets/thrumcap-tb-10-b.yaml', 'utf8')
const packed = async (sheet: Partial<KeptSheet> = {}) =>
  onDisk(await buffer(writeSheetZip({ source: SOURCE, ...sheet })))

it('a sheet travels with its manual and its cut-outs, and arrives as it left', async () => {
  const [manual, clippings] = [onDisk('%PDF-1.7 a manual'), onDisk('{"clippings":[]}')]
  const zip = await openSheetZip(await packed({ manual, clippings }))
  try {
    expect(zip.source).toBe(SOURCE)
    for (const [kind, content] of [
      ['manual', '%PDF-1.7 a manual'],
      ['clippings', '{"clippings":[]}'],
    ] as const) {
      const to = join(folder, `out-${kind}`)
      expect(await zip.unpack(kind, to)).toBe(true)
      expect(readFileSync(to, 'utf8')).toBe(content)
    }
  } finally {
    zip.close()
  }
})

it('the same sheet gives the same bytes, on whichever day', async () => {
  const manual = onDisk('%PDF-1.7 a manual')
  const [one, other] = [await packed({ manual }), await packed({ manual })]
  expect(readFileSync(one).equals(readFileSync(other))).toBe(true)
})

it('without a manual none is unpacked, and no empty file is left in its place', async () => {
  const zip = await openSheetZip(await packed())
  const to = join(folder, 'nothing')
  expect(await zip.unpack('manual', to)).toBe(false)
  expect(existsSync(to)).toBe(false)
  zip.close()
})

it.each<[string, () => Promise<string>, RegExp]>([
  ['no ZIP', async () => onDisk('maker: Thrumcap'), /zip/i],
  ['nothing', async () => onDisk(''), /zip/i],
  [
    'a ZIP without a sheet',
    async () => {
      const other = new ZipFile()
      other.addBuffer(Buffer.from('x'), 'notes.txt')
      other.end()
      return onDisk(await buffer(other.outputStream as never))
    },
    /sheet\.yaml/,
  ],
  [
    'a sheet beyond every size',
    async () => onDisk(await buffer(writeSheetZip({ source: `#${'x'.repeat(3 * 1024 * 1024)}` }))),
    /sheet\.yaml|large|MB/,
  ],
])('%s is refused by what is wrong with it', async (_, file, says) => {
  await expect(openSheetZip(await file())).rejects.toThrow(says)
})

it('one that was cut off is refused or reads whole: never half a sheet', async () => {
  const whole = readFileSync(await packed({ manual: onDisk('%PDF-1.7 a manual') }))
  for (let tenth = 1; tenth < 10; tenth++) {
    const cut = onDisk(whole.subarray(0, Math.floor((whole.length * tenth) / 10)))
    await expect(openSheetZip(cut)).rejects.toThrow()
  }
})
