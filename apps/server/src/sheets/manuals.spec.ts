import { createHash } from 'node:crypto'
import { existsSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
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
