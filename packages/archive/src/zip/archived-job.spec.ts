import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { buffer } from 'node:stream/consumers'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { parse } from 'yaml'
import { ZipFile } from 'yazl'
import { BadInput, clippingsText, readSheet } from '@plumb-mark/core'
import { clippingsPath } from '../database/files.js'
import { unpackFiles } from '../database/write-job.js'
import { sha256 } from '../digest.js'
import { openArchivedJob, type ArchivedJob } from './archived-job.js'
import { openZip } from './read.js'
import { writeZip } from './write.js'

/** A sealed record with photos and a job in progress, both of before. */
const SEALED = 'samples/before/PM-2598.zip'
const OPEN = 'samples/before/PM-2618.zip'
const folder = mkdtempSync(join(tmpdir(), 'plumb-mark-archived-'))
afterAll(() => rmSync(folder, { recursive: true }))

let count = 0
function onDisk(bytes: Uint8Array): string {
  const file = join(folder, `${count++}`)
  writeFileSync(file, bytes)
  return file
}
const sheetIn = (source: string) => {
  try {
    return readSheet(parse(source))
  } catch {
    return undefined
  }
}
/** Opens, looks and closes. */
async function opened<T>(path: string, look: (job: ArchivedJob) => T | Promise<T>): Promise<T> {
  const job = await openArchivedJob(path, sheetIn)
  try {
    return await look(job)
  } finally {
    job.zip.close()
  }
}
type Files = [name: string, content: Buffer][]
async function filesOf(path: string): Promise<Files> {
  const zip = await openZip(path)
  const files: Files = []
  for (const name of zip.names) files.push([name, await zip.read(name)])
  zip.close()
  return files
}
async function packed(files: Files): Promise<string> {
  const zip = new ZipFile()
  for (const [name, content] of files) zip.addBuffer(content, name)
  zip.end()
  return onDisk(await buffer(zip.outputStream))
}
/** The ZIP with one file put otherwise. */
const edited = async (name: string, edit: (text: string) => string, of = SEALED) =>
  packed(
    (await filesOf(of)).map(([one, content]) =>
      one === name ? [one, Buffer.from(edit(content.toString()))] : [one, content],
    ),
  )
const faultsOf = (path: string) => opened(path, ({ faults }) => faults.map(({ fault }) => fault))

it.each([SEALED, OPEN])('%s is whole: nothing in it is other than it claims', async (path) => {
  await opened(path, ({ faults, unread, sources, file }) => {
    expect([faults, unread]).toEqual([[], []])
    expect(sources.size).toBe(file.sheets.length)
  })
})

it.each([SEALED, OPEN])(
  'what was in %s, written again, says the same, pictures and sheets to the byte',
  async (path) => {
    const again = await opened(path, async ({ zip, file, sources, manifest }) => {
      const photos = []
      for (const { file: name, ...photo } of manifest.photos)
        photos.push({ ...photo, path: onDisk(await zip.read(name)) })
      const traces = []
      for (const { file: name, ...trace } of manifest.traces)
        traces.push({ ...trace, path: onDisk(gzipSync(await zip.read(name))) })
      return buffer(writeZip({ file, sources, photos, traces, clippings: [] }))
    })
    const [now, before] = [await filesOf(onDisk(again)), await filesOf(path)]
    expect(now.map(([name]) => name)).toEqual(before.map(([name]) => name))
    // Read and written, the record says the same in another order of its fields, and the manifest names its digest.
    for (const [i, [name, content]] of before.entries())
      if (name === 'inspection.json') expect(JSON.parse(`${now[i]![1]}`)).toEqual(JSON.parse(`${content}`))
      else if (name !== 'manifest.json') expect([name, now[i]![1].equals(content)]).toEqual([name, true])
  },
)

it.each([1, 2, 3, 4, 5, 6, 7, 8, 9])(
  'a file cut at %i tenths is refused, and says that it is no ZIP',
  async (tenth) => {
    const whole = readFileSync(SEALED)
    const cut = onDisk(whole.subarray(0, Math.floor((whole.length * tenth) / 10)))
    await expect(openArchivedJob(cut, sheetIn)).rejects.toMatchObject({ code: 'not-a-zip' })
  },
)

it('wherever a byte is another one, it is refused, told as a fault, or nothing that is read differs', async () => {
  const whole = readFileSync(SEALED)
  const before = await opened(SEALED, ({ file }) => JSON.stringify(file))
  for (let i = 0; i < 60; i++) {
    const spoilt = Buffer.from(whole)
    const at = Math.floor(((i + 0.37) * whole.length) / 60)
    spoilt[at]! ^= 0x55
    const answer = await opened(onDisk(spoilt), ({ faults, file }) => ({
      faults,
      now: JSON.stringify(file),
    })).catch((problem: unknown) => {
      expect(problem).toBeInstanceOf(BadInput)
      return undefined
    })
    if (answer && answer.faults.length === 0) expect(answer.now).toBe(before)
  }
})

describe('what was put otherwise is told', () => {
  it('a word in an entry breaks the chain from there on', async () => {
    const path = await edited('inspection.json', (text) => text.replace('"seen": true', '"seen": false'))
    expect(await faultsOf(path)).toEqual(expect.arrayContaining(['file-changed']))
    expect((await faultsOf(path)).length).toBeGreaterThan(1)
  })
  it('a head in the manifest that is not that of the record', async () => {
    const path = await edited('manifest.json', (text) =>
      text.replace(/"head": "[0-9a-f]{8}/, '"head": "00000000'),
    )
    expect(await faultsOf(path)).toContain('head-differs')
  })
  it('a page that tells another story', async () => {
    const path = await edited('record.html', (text) => text.replace('</p>', ' </p>'))
    expect(await faultsOf(path)).toEqual(['file-changed'])
  })
  it('a sheet whose file says something else than what was judged by', async () => {
    const [sheet] = (await filesOf(SEALED)).find(([name]) => name.startsWith('sheets/'))!
    const path = await edited(sheet, (text) => text.replace(/revision: .+/, 'revision: Z9'))
    expect(await faultsOf(path)).toEqual(expect.arrayContaining(['sheet-file-differs', 'file-changed']))
    expect(await opened(path, ({ sources, file }) => sources.size - file.sheets.length)).toBe(-1)
  })
  it('a photo that is gone, and one that nobody named', async () => {
    const files = await filesOf(OPEN)
    const photo = files.findIndex(([name]) => name.startsWith('photos/'))
    const gone = files.filter((_, i) => i !== photo)
    expect(await faultsOf(await packed(gone))).toEqual(['file-absent'])
    expect(await faultsOf(await packed([...files, ['photos/more.png', Buffer.from('x')]]))).toEqual([
      'file-unknown',
    ])
  })
  it('a photo that lies under a name of its own choice', async () => {
    const path = await edited(
      'manifest.json',
      (text) => text.replace(/"file": "photos\/[^"]+"/, '"file": "../x.png"'),
      OPEN,
    )
    expect(await faultsOf(path)).toContain('file-changed')
  })
})

describe('what cannot be read is refused with its file', () => {
  it.each([
    ['no manifest', 'manifest.json', undefined, 'missing'],
    ['no record', 'inspection.json', undefined, 'missing'],
    ['a manifest that is no JSON', 'manifest.json', '{', 'not-json'],
    ['a record that is a list', 'inspection.json', '[]', 'wrong-type'],
    ['lists within lists', 'manifest.json', '['.repeat(100) + ']'.repeat(100), 'too-large'],
  ])('%s', async (_what, name, content, code) => {
    const files = (await filesOf(SEALED)).flatMap(([one, was]): Files =>
      one !== name ? [[one, was]] : content === undefined ? [] : [[one, Buffer.from(content)]],
    )
    await expect(openArchivedJob(await packed(files), sheetIn)).rejects.toMatchObject({
      code,
      path: expect.stringContaining(name) as string,
    })
  })
  it('a name that stands in it twice', async () => {
    const files = await filesOf(SEALED)
    await expect(openArchivedJob(await packed([...files, files[0]!]), sheetIn)).rejects.toMatchObject({
      code: 'name-twice',
    })
  })
  it('a file that unpacks to far more than any record does', async () => {
    const files = await filesOf(SEALED)
    const bomb: Files = [...files, ['traces/bomb.csv', Buffer.alloc(40_000_000)]]
    await expect(openArchivedJob(await packed(bomb), sheetIn)).rejects.toMatchObject({ code: 'too-large' })
  })
  it('something that was never a ZIP', async () => {
    await expect(openArchivedJob(onDisk(Buffer.from('hello')), sheetIn)).rejects.toMatchObject({
      code: 'not-a-zip',
    })
  })
})

describe('cut-outs of the makers’ manuals', () => {
  const text = clippingsText('a'.repeat(64), [
    { page: 1, box: [1, 2, 3, 4], area: [0, 0, 9, 9], picture: 'data:image/png;base64,iVBORw==' },
  ])
  const digest = sha256(text)
  /** The open job with a sheet that names cut-outs, and a file under their name. */
  const withFile = (content: string) =>
    opened(OPEN, async ({ file, sources }) => {
      const [first, ...others] = file.sheets
      const sheets = [{ ...first!, manual: { digest: 'a'.repeat(64), clippings: digest } }, ...others]
      const clippings = [{ digest, path: onDisk(Buffer.from(content)) }]
      return onDisk(
        await buffer(writeZip({ file: { ...file, sheets }, sources, photos: [], traces: [], clippings })),
      )
    })

  it('travel with the record, and are unpacked under their digest', async () => {
    const target = mkdtempSync(join(folder, 'unpacked-'))
    await opened(await withFile(text), async (job) => {
      expect(job.manifest.files).toContainEqual({ name: `clippings/${digest}.json`, sha256: digest })
      await unpackFiles(target, { ...job, manifest: { ...job.manifest, photos: [], traces: [] } })
    })
    expect(readFileSync(clippingsPath(target, digest), 'utf8')).toBe(text)
  })

  it.each([
    ['others than the sheet names', text.replace('"page":1', '"page":2')],
    ['what holds no pictures', text.replace('image/png', 'text/html')],
  ])('%s are refused', async (_what, content) => {
    const target = mkdtempSync(join(folder, 'unpacked-'))
    await opened(await withFile(content), async (job) => {
      const wanted = { ...job, manifest: { ...job.manifest, photos: [], traces: [] } }
      await expect(unpackFiles(target, wanted)).rejects.toMatchObject({ code: 'malformed' })
    })
    expect(existsSync(clippingsPath(target, digest))).toBe(false)
  })
})
