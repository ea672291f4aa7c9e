import net from 'node:net'
import { setTimeout as sleep } from 'node:timers/promises'
import { v7 as uuid } from 'uuid'
import type { LiveDevices } from '@plumb-mark/contract'
import { entry, firstOf, RunningServer, type Caller } from '../testing/running-server.testing.js'
import { MOST_LINKS } from './devices.service.js'

let server: RunningServer
let inspector: Caller
let office: Caller
let jobId: string
const open: net.Server[] = []

beforeAll(async () => {
  server = await RunningServer.start()
  inspector = await server.signIn('inspector')
  office = await server.signIn('office')
  jobId = (await inspector.jobs()).find(({ number }) => number === 'PM-2611')!.id
  const { body } = await inspector.bundle(jobId)
  for (const { body: connected } of body.entries.filter(({ kind }) => kind === 'device-connected'))
    await inspector.append(jobId, entry('device-disconnected', { id: (connected as { id: string }).id }))
})
afterAll(async () => {
  for (const one of open) one.close()
  await server.stop()
})

/** Something that listens and is no device of ours. */
async function listening(serve: (socket: net.Socket) => void): Promise<number> {
  const one = net.createServer((socket) => serve(socket.on('error', () => undefined)))
  open.push(one)
  await new Promise<void>((resolve) => one.listen(0, '127.0.0.1', resolve))
  return (one.address() as net.AddressInfo).port
}
const closed = async () => {
  const port = await listening(() => undefined)
  await new Promise((resolve) => open.pop()!.close(resolve))
  return port
}
interface Refusal {
  error: { code: string; message: string; path?: string }
}
const ask = (port: number, host = '127.0.0.1') =>
  inspector.json<Refusal>('POST', '/api/devices/ask', { host, port, address: 1 })
/** An answer that reads as one register more, and another, without end. */
const answerSlowly = (every: number) => (socket: net.Socket) =>
  socket.on('data', (asked) => {
    const count = asked.readUInt16BE(10)
    const answer = Buffer.alloc(9 + 2 * count)
    asked.copy(answer, 0, 0, 2)
    answer.writeUInt16BE(3 + 2 * count, 4)
    answer[6] = 1
    answer[7] = 3
    answer[8] = 2 * count
    // The mark first, then one model after another.
    if (asked.readUInt16BE(8) === 40_000) answer.write('SunS', 9)
    else for (let i = 0; i < count; i++) answer.writeUInt16BE(i === 0 ? 900 : 1, 9 + 2 * i)
    setTimeout(() => socket.write(answer), every)
  })

describe('a range', () => {
  it.each([
    ['of seventy million addresses', 'from=10.0.0.0&to=14.44.29.127&fromPort=502&toPort=502'],
    ['of sixteen million', 'from=10.0.0.0&to=10.255.255.255&fromPort=502&toPort=502'],
    ['of one address with all its ports', 'from=10.0.0.1&to=10.0.0.1&fromPort=1&toPort=65535'],
    ['that runs backwards', 'from=10.0.0.9&to=10.0.0.1&fromPort=502&toPort=502'],
  ])('%s is refused in its field, at once', async (_what, range) => {
    const began = Date.now()
    const { status, body } = await inspector.json<Refusal>('GET', `/api/devices/scan?${range}&address=1`)
    expect([status, body.error.code, body.error.path]).toEqual([400, 'out-of-range', 'to'])
    expect(Date.now() - began).toBeLessThan(1000)
  })
  it('of link-local addresses is never called, whatever the office would allow', async () => {
    expect((await office.call('PUT', '/api/office/networks', { networks: ['169.254.0.0/16'] })).status).toBe(
      400,
    )
    const { status } = await inspector.json(
      'GET',
      '/api/devices/scan?from=169.254.1.1&to=169.254.1.2&fromPort=80&toPort=80&address=1',
    )
    expect(status).toBe(403)
    expect((await ask(80, '169.254.169.254')).status).toBe(403)
    const connected = entry('device-connected', {
      id: uuid(),
      unitId: 'inv-1',
      host: '169.254.1.1',
      port: 502,
      address: 1,
    })
    expect((await inspector.append(jobId, connected)).status).toBe(409)
  })
})

it('a refusal does not tell which ports of the server’s own machine are open, neither by its words nor by its time', async () => {
  const [silent, web, nobody] = [
    await listening(() => undefined),
    await listening((socket) => socket.end('HTTP/1.1 200 OK\r\n\r\n')),
    await closed(),
  ]
  const timed = async (port: number) => {
    const began = Date.now()
    const { status, body } = await ask(port)
    return { status, words: body.error.message.replace(String(port), ''), ms: Date.now() - began }
  }
  const [first, ...others] = [
    await timed(silent),
    await timed(web),
    await timed(nobody),
    await timed(Number(new URL(server.address).port)),
  ]
  expect(first).toMatchObject({ status: 422, words: '127.0.0.1: no device answers there' })
  for (const other of others) {
    expect([other.status, other.words]).toEqual([422, first!.words])
    expect(Math.abs(other.ms - first!.ms)).toBeLessThan(700)
  }
})

it('the machine of the server is asked only while the simulated devices run on it, or where the office says so', async () => {
  const bare = await RunningServer.empty({ simulatedDevices: false })
  const owner = await firstOf(bare)
  const there = { host: '127.0.0.1', port: 1, address: 1 }
  expect((await owner.call('POST', '/api/devices/ask', there)).status).toBe(403)
  await owner.call('PUT', '/api/office/networks', { networks: ['127.0.0.0/8'] })
  expect((await owner.call('POST', '/api/devices/ask', there)).status).toBe(422)
  await bare.stop()
})

describe('whoever answers without end', () => {
  it('keeps nobody longer than a conversation may take', async () => {
    const began = Date.now()
    expect((await ask(await listening(answerSlowly(700)))).status).toBe(422)
    expect(Date.now() - began).toBeLessThan(5000)
  }, 20_000)
  it('is not asked any more once whoever asked has gone', async () => {
    let asked = 0
    let ended = false
    const port = await listening((socket) => {
      socket.on('data', () => asked++).on('close', () => (ended = true))
      answerSlowly(100)(socket)
    })
    const leaving = new AbortController()
    const sent = fetch(`${server.address}/api/devices/ask`, {
      method: 'POST',
      headers: { cookie: inspector.cookie, 'x-plumb-mark': '1', 'content-type': 'application/json' },
      body: JSON.stringify({ host: '127.0.0.1', port, address: 1 }),
      signal: leaving.signal,
    }).catch(() => undefined)
    while (asked === 0) await sleep(10)
    leaving.abort()
    await sent
    for (let i = 0; i < 50 && !ended; i++) await sleep(10)
    expect(ended).toBe(true)
    const then = asked
    await sleep(400)
    expect(asked).toBe(then)
  })
  it('a flood is cut off, and others are answered meanwhile', async () => {
    let ended = false
    const port = await listening((socket) => {
      const flood = () => {
        while (!socket.destroyed && socket.write(Buffer.alloc(65_536, 1)));
      }
      socket.on('drain', flood).on('close', () => (ended = true))
      flood()
    })
    const waits: number[] = []
    let going = true
    const other = (async () => {
      while (going) {
        const began = Date.now()
        await office.call('GET', '/health')
        waits.push(Date.now() - began)
      }
    })()
    expect((await ask(port)).status).toBe(422)
    going = false
    await other
    expect(ended).toBe(true)
    expect(waits.sort((a, b) => a - b).at(Math.floor(waits.length * 0.9))).toBeLessThan(100)
  })
})

it('the device for which no line is free says so, and is asked when one is', async () => {
  const port = await listening(() => undefined)
  const ids = Array.from({ length: MOST_LINKS + 1 }, () => uuid())
  const connected = ids.map((id, i) =>
    entry('device-connected', { id, unitId: 'inv-1', host: '127.0.0.1', port, address: i + 1 }),
  )
  expect((await inspector.append(jobId, ...connected)).status).toBe(200)
  const leaving = new AbortController()
  const response = await fetch(`${server.address}/api/jobs/${jobId}/devices/live`, {
    headers: { cookie: inspector.cookie },
    signal: leaving.signal,
  })
  const seen: LiveDevices['devices'][] = []
  let text = ''
  let freed = false
  try {
    for await (const chunk of response.body!.pipeThrough(new TextDecoderStream())) {
      text += chunk
      const events = text.split('\n\n')
      text = events.pop()!
      for (const one of events) {
        const data = /^data: (.*)$/m.exec(one)?.[1]
        if (data) seen.push((JSON.parse(data) as LiveDevices).devices)
      }
      const last = seen.at(-1)
      if (!freed && last) {
        expect(last).toHaveLength(MOST_LINKS + 1)
        expect(last.at(-1)).toMatchObject({
          state: 'waiting',
          problem: expect.stringContaining('line is free') as string,
        })
        freed = true
        await inspector.append(jobId, entry('device-disconnected', { id: ids[0]! }))
      }
      if (freed && last?.length === MOST_LINKS && last.every(({ state }) => state !== 'waiting')) break
    }
  } finally {
    leaving.abort()
  }
  expect(freed).toBe(true)
  await inspector.append(jobId, ...ids.slice(1).map((id) => entry('device-disconnected', { id })))
}, 30_000)

describe('a stream', () => {
  /** How long after an act a stream goes on, ms. */
  async function endsAfter(path: string, caller: Caller, act: () => Promise<unknown>): Promise<number> {
    const response = await fetch(`${server.address}${path}`, { headers: { cookie: caller.cookie } })
    expect(response.status).toBe(200)
    const reader = response.body!.getReader()
    await reader.read()
    await act()
    const began = Date.now()
    for (;;) {
      const next = await Promise.race([reader.read(), sleep(5000).then(() => 'late' as const)])
      if (next === 'late') return Infinity
      if (next.done) return Date.now() - began
    }
  }
  const streams = [
    ['of a job', () => `/api/jobs/${jobId}/entries/live`],
    ['of its devices', () => `/api/jobs/${jobId}/devices/live`],
  ] as const
  const person = async (name: string, role: string) => {
    const wish = { name, email: `${uuid()}@plumb.example`, role }
    const { body } = await office.json<{ person: { id: string }; link: { token: string } }>(
      'POST',
      '/api/office/people',
      wish,
    )
    const password = 'three brass bobs'
    await server.stranger().call('POST', '/api/welcome', { token: body.link.token, password })
    return {
      id: body.person.id,
      name,
      password,
      caller: await server.signInAs({ email: wish.email, password }),
    }
  }
  it.each(streams)('%s ends within a second of signing out', async (_what, path) => {
    const own = await server.signIn('inspector')
    expect(await endsAfter(path(), own, () => own.call('POST', '/api/session/end'))).toBeLessThan(1000)
  })
  it.each(streams)(
    '%s ends within a second of being disabled, or put into another role',
    async (_what, path) => {
      for (const wish of [{ disabled: true }, { role: 'office' }]) {
        const { id, caller } = await person('Una', 'inspector')
        expect(
          await endsAfter(path(), caller, () => office.call('PUT', `/api/office/people/${id}`, wish)),
        ).toBeLessThan(1000)
      }
    },
  )
  it.each(streams)('%s ends within a second of another password', async (_what, path) => {
    const { caller, password } = await person('Una', 'inspector')
    const change = () =>
      caller.call('PUT', '/api/session/password', { before: password, password: 'four brass bobs!' })
    expect(await endsAfter(path(), caller, change)).toBeLessThan(1000)
  })
  it.each(streams)('%s ends within a second of the end of the session', async (_what, path) => {
    const { caller, id } = await person('Una', 'inspector')
    const runOut = () =>
      server.database.query(`UPDATE sessions SET expiresAt = '2020-01-01T00:00:00Z' WHERE personId = ?`, [id])
    expect(await endsAfter(path(), caller, runOut)).toBeLessThan(1000)
  })
  it('of an installer ends when the job is no longer shared with them', async () => {
    const { id, name, caller } = await person('Ivo', 'installer')
    await inspector.append(jobId, entry('shared', { person: { id, name, role: 'installer' } }))
    const path = `/api/jobs/${jobId}/entries/live`
    const unshare = () => inspector.append(jobId, entry('unshared', { personId: id }))
    expect(await endsAfter(path, caller, unshare)).toBeLessThan(1000)
  })
  it('of a search ends when the network is taken back', async () => {
    const path = `/api/devices/scan?from=127.0.0.1&to=127.0.0.1&fromPort=3000&toPort=3999&address=1`
    const ended = await endsAfter(path, inspector, () =>
      office.call('PUT', '/api/office/networks', { networks: ['10.0.0.0/8'] }),
    )
    expect(ended).toBeLessThan(2500)
    await office.call('PUT', '/api/office/networks', { networks: ['127.0.0.0/8'] })
  }, 20_000)
})

it('behind TLS a cookie that another host could have set opens nothing', async () => {
  const secure = await RunningServer.empty({ secureCookie: true })
  const own = await firstOf(secure)
  const token = own.cookie.split('=')[1]!
  const status = async (cookie: string) =>
    (await fetch(`${secure.address}/api/session`, { headers: { cookie } })).status
  expect(own.cookie).toMatch(/^__Host-/)
  expect([await status(own.cookie), await status(`plumb_session=${token}`)]).toEqual([200, 401])
  await secure.stop()
})
