// The built server of a bench: started on a folder, asked, timed.
import { spawn } from 'node:child_process'
import { SERVER_HEAP, at } from '../scripts/shared.mjs'
import { uuid } from './site.mjs'

/** The built server on a folder of its own, with an inspector and the office signed in. */
export async function serve(dir) {
  const child = spawn(
    process.execPath,
    [SERVER_HEAP, at('apps', 'server', 'bundle', 'main.js'), '--port', '0', '--data', dir],
    {
      stdio: ['ignore', 'pipe', 'inherit'],
    },
  )
  const address = await new Promise((resolve) => {
    let said = ''
    child.stdout.setEncoding('utf8').on('data', (text) => {
      said += text
      const found = /is at (http:\/\/\S+)/.exec(said)?.[1]
      if (found) resolve(found)
    })
  })
  const cookieOf = async (role) => {
    const answer = await fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-plumb-mark': '1' },
      body: JSON.stringify({ email: `${role}@plumb.example`, password: 'plumb-demo' }),
    })
    return answer.headers.get('set-cookie').split(';')[0]
  }
  const cookies = { inspector: await cookieOf('inspector'), office: await cookieOf('office') }
  const call = async (method, path, body, role = 'inspector') => {
    const form = body instanceof FormData
    const answer = await fetch(`${address}${path}`, {
      method,
      headers: {
        cookie: cookies[role],
        'x-plumb-mark': '1',
        ...(body && !form && { 'content-type': 'application/json' }),
      },
      ...(body && { body: form ? body : JSON.stringify(body) }),
    })
    const content = await answer.arrayBuffer()
    return { status: answer.status, json: () => JSON.parse(Buffer.from(content).toString()) }
  }
  return {
    pid: child.pid,
    call,
    get: (path) => call('GET', path),
    jobs: async (limit) => (await call('GET', `/api/jobs?limit=${limit}&sort=number`)).json().jobs,
    stop: () =>
      new Promise((resolve) => {
        child.once('exit', resolve)
        child.kill('SIGTERM')
      }),
  }
}

export const observation = () => ({
  id: uuid(),
  kind: 'observation',
  at: new Date().toISOString(),
  body: { point: 'inv-1/gasket/unit', seen: true },
})
export const append = (server, jobId, entries) =>
  server.call('POST', `/api/jobs/${jobId}/entries`, { entries })

export const timed = async (work) => {
  const began = performance.now()
  await work()
  return performance.now() - began
}
export async function repeated(times, work) {
  const all = []
  for (let i = 0; i < times; i++) all.push(await timed(() => work(i)))
  return all
}
export const percentile = (values, p) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.ceil((values.length * p) / 100) - 1)]
