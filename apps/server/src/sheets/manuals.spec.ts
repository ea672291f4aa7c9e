import { createHash } from 'node:crypto'
import { existsSync, readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { SheetInLibrary } from '@plumb-mark/contract'
import { clippingsText } from '@plumb-mark/core'
import { Caller, RunningServer } from '../testing/running-server.testing.js'

let server: RunningServer
let office: Caller
beforeAll(async () => {
  server = await RunningServer.start()
  office = await server.signIn('office')
})
afterAll(() => server.stop())

const PDF = Buffer.from('%PDF-1.7\n% a manual without a page\n')
const digestOf = (content: Buffer) => createHash('sha256').update(content).digest('hex')
function form(content: Buffer, field = 'manual'): FormData {
  const body = new FormData()
  body.append(field, new Blob([new Uint8Array(content)]), 'manual.pdf')
  return body
}
const coming = () => readdirSync(join(server.dataDir, 'manuals', 'coming'))

describe('a maker’s manual', () => {
  it('is kept under its digest, once, and leaves as it came', async () => {
    const address = `/api/manuals/${digestOf(PDF)}`
    expect((await office.call('PUT', address, form(PDF))).status).toBe(204)
    expect((await office.call('PUT', address, form(PDF))).status).toBe(204)
    const back = await office.call('GET', address)
    expect(back.headers.get('content-type')).toBe('application/pdf')
    expect(back.headers.get('content-disposition')).toMatch(/^attachment/)
    expect(Buffer.from(await back.arrayBuffer()).equals(PDF)).toBe(true)
    expect(coming()).toEqual([])
  })

  it.each([
    ['another file than was named', 'a'.repeat(64), PDF, 'digest-differs'],
    ['what is no PDF', digestOf(Buffer.from('MZ')), Buffer.from('MZ'), 'not-a-pdf'],
    ['a name that is no digest', '..%2f..%2fetc', PDF, 'malformed'],
  ])('%s is refused, and nothing of it stays', async (_what, digest, content, code) => {
    const answer = await office.call('PUT', `/api/manuals/${digest}`, form(content))
    expect(answer.status).toBe(400)
    expect(await answer.json()).toMatchObject({ error: { code } })
    expect(coming()).toEqual([])
    expect(existsSync(join(server.dataDir, 'manuals', 'aa'))).toBe(false)
  })

  it('one that nobody kept is not found', async () => {
    expect((await office.call('GET', `/api/manuals/${'b'.repeat(64)}`)).status).toBe(404)
  })
})

describe('the cut-outs of a manual', () => {
  const text = clippingsText(digestOf(PDF), [
    { page: 1, box: [1, 2, 3, 4], area: [0, 0, 595, 60], picture: 'data:image/webp;base64,UklGRg==' },
  ])
  const address = `/api/clippings/${digestOf(Buffer.from(text))}`
  const sent = (content: string) => form(Buffer.from(content), 'clippings')

  it('are kept under their digest, and shown to whoever is given the job', async () => {
    expect((await office.call('PUT', address, sent(text))).status).toBe(204)
    const installer = await server.signIn('installer')
    expect(await (await installer.call('GET', address)).text()).toBe(text)
    expect((await installer.call('PUT', address, sent(text))).status).toBe(403)
    expect(coming()).toEqual([])
  })

  it('what holds no pictures, or more than pictures, is refused whole', async () => {
    const bad = text.replace('image/webp', 'text/html')
    const answer = await office.call('PUT', `/api/clippings/${digestOf(Buffer.from(bad))}`, sent(bad))
    expect(answer.status).toBe(400)
    expect(await answer.json()).toMatchObject({ error: { path: 'clippings[0].picture' } })
    expect(coming()).toEqual([])
  })
})

describe('a sheet with its manual in one file', () => {
  const ID = 'thrumcap-tb-10-b'
  const zipped = async () =>
    Buffer.from(await (await office.call('GET', `/api/sheets/${ID}/sheet.zip`)).arrayBuffer())

  it('opens in another installation with its manual and its cut-outs', async () => {
    const zip = await zipped()
    expect((await zipped()).equals(zip)).toBe(true)
    const other = await RunningServer.start()
    rmSync(join(other.dataDir, 'manuals'), { recursive: true })
    try {
      const there = await other.signIn('office')
      expect((await there.call('POST', '/api/sheets/zip', form(zip, 'zip'))).status).toBe(200)
      const { body } = await there.json<SheetInLibrary>('GET', `/api/sheets/${ID}`)
      const { digest, clippings } = body.sheet.manual!
      expect((await there.call('GET', `/api/manuals/${digest}`)).status).toBe(200)
      expect((await there.call('GET', `/api/clippings/${clippings!}`)).status).toBe(200)
      expect(readdirSync(join(other.dataDir, 'manuals', 'coming'))).toEqual([])
    } finally {
      await other.stop()
    }
  })

  it.each([
    ['what is no ZIP', () => Promise.resolve(PDF), 'not-a-zip'],
    ['a ZIP that was cut', async () => (await zipped()).subarray(0, 900), 'not-a-zip'],
  ])('%s is refused, and nothing of it stays', async (_what, content, code) => {
    const answer = await office.call('POST', '/api/sheets/zip', form(await content(), 'zip'))
    expect(answer.status).toBe(400)
    expect(await answer.json()).toMatchObject({ error: { code } })
    expect(coming()).toEqual([])
  })
})

it('the record of a job takes the cut-outs of its sheets along', async () => {
  const { id } = await (await server.signIn('inspector')).firstJob()
  const zip = Buffer.from(await (await office.call('GET', `/api/jobs/${id}/record.zip`)).arrayBuffer())
  const { body } = await office.json<SheetInLibrary>('GET', '/api/sheets/aldervane-ah-8t-c')
  expect(zip.includes(`clippings/${body.sheet.manual!.clippings!}.json`)).toBe(true)
})
