import { readFileSync } from 'node:fs'
import { request } from 'node:https'
import { join } from 'node:path'
import type { OwnSession } from '@plumb-mark/contract'
import { ADA, RunningServer } from '../testing/running-server.testing.js'

describe('a person’s own sessions', () => {
  let server: RunningServer
  beforeAll(async () => void (server = await RunningServer.start()))
  afterAll(() => server.stop())

  it('are listed, this one named, and ended one by one; nobody ends another’s', async () => {
    const here = await server.signIn('inspector')
    const there = await server.signIn('inspector')
    const all = async () => (await here.json<OwnSession[]>('GET', '/api/session/all')).body
    const sessions = await all()
    expect(sessions.map((session) => session.here).sort()).toEqual([false, true])
    const other = sessions.find((session) => !session.here)!
    const reviewer = await server.signIn('reviewer')
    expect((await reviewer.call('DELETE', `/api/session/${other.id}`)).status).toBe(404)
    expect((await here.call('DELETE', `/api/session/${other.id}`)).status).toBe(204)
    expect((await there.call('GET', '/api/session')).status).toBe(401)
    expect(await all()).toHaveLength(1)
  })

  it('wrong tries at the own old password are held up like those at the door', async () => {
    const installer = await server.signIn('installer')
    const tries: number[] = []
    for (let i = 0; i < 13; i++)
      tries.push(
        (
          await installer.call('PUT', '/api/session/password', {
            before: `guess ${i}`,
            password: 'three brass bobs',
          })
        ).status,
      )
    expect([tries[0], tries.at(-1)]).toEqual([403, 429])
  })
})

it('over TLS the session’s cookie is of this host alone, and a browser holds on to TLS', async () => {
  const file = (name: string) =>
    readFileSync(join(process.cwd(), 'apps', 'server', 'src', 'testing', 'tls', name))
  const server = await RunningServer.empty({
    tls: { cert: file('cert.pem'), key: file('key.pem') },
    secureCookie: true,
  })
  const first = ADA
  const post = (path: string, body: object) =>
    new Promise<{ status: number; headers: Record<string, string | string[] | undefined> }>(
      (resolve, reject) => {
        const sent = request(
          `${server.address}${path}`,
          {
            method: 'POST',
            ca: file('cert.pem'),
            headers: { 'content-type': 'application/json', 'x-plumb-mark': '1' },
          },
          (answer) => {
            answer.resume()
            resolve({ status: answer.statusCode!, headers: answer.headers })
          },
        )
        sent.on('error', reject)
        sent.end(JSON.stringify(body))
      },
    )
  expect(server.address).toMatch(/^https:/)
  expect((await post('/api/first-account', first)).status).toBe(204)
  const { headers } = await post('/api/session', { email: first.email, password: first.password })
  expect(headers['set-cookie']![0]).toMatch(
    /^__Host-plumb_session=\S+; Max-Age=\d+; Path=\/; Expires=[^;]+; HttpOnly; Secure; SameSite=Strict$/,
  )
  expect(headers['strict-transport-security']).toBeDefined()
  await server.stop()
})
