import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import type { Server as HttpServer } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 as uuid } from 'uuid'
import type { DataSource } from 'typeorm'
import type { NestExpressApplication } from '@nestjs/platform-express'
import type { JobBundle, JobPage, JobSummary } from '@plumb-mark/contract'
import type { Entry, EntryBodies, EntryKind, Person, Role } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { demoServicesOf } from '../demo/demo-services.js'
import { DEMO_PASSWORD, loadDemo } from '../demo/load-demo.js'
import { createLog } from '../http/log.js'
import { createServer, listen } from '../server.js'
import { onceInARun } from './once-in-a-run.testing.js'
import type { Settings } from '../settings.js'

const SAMPLES = join(process.cwd(), 'samples')

/** The real application on a real port with a real database file and the demo data. */
export class RunningServer {
  private app!: NestExpressApplication

  private constructor(readonly dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-'))) {}

  /** On a folder that has its data already. */
  static async on(dataDir: string): Promise<RunningServer> {
    const server = new RunningServer(dataDir)
    await server.open()
    return server
  }
  address = ''
  private wish: Partial<Settings> = {}
  /** Every line of the log. */
  readonly lines: string[] = []
  private readonly said = { write: (line: string) => void this.lines.push(line) }

  /** Without the demo: nobody has an account. */
  static async empty(wish: Partial<Settings> = {}): Promise<RunningServer> {
    const server = new RunningServer()
    server.wish = wish
    await server.open()
    return server
  }

  /** With the demo data, which is put together once in a run of the tests and copied from then on. */
  static async start(): Promise<RunningServer> {
    const made = await onceInARun('demo', async (folder) => {
      const server = await RunningServer.on(folder)
      await loadDemo(SAMPLES, demoServicesOf(server.app), { jobs: true })
      await server.close()
    })
    const server = new RunningServer()
    cpSync(made, server.dataDir, { recursive: true })
    await server.open()
    return server
  }

  private async open(): Promise<void> {
    const settings = {
      host: '127.0.0.1',
      port: 0,
      dataDir: this.dataDir,
      samplesDir: SAMPLES,
      secureCookie: false,
      simulatedDevices: true,
      firstWord: FIRST_WORD,
      trustedProxies: 0,
      log: createLog(this.said),
      ...this.wish,
    }
    this.app = await createServer(settings)
    this.address = await listen(this.app, settings)
    // Tests keep the thread busy for longer than a line is held: it would be closed under the next question.
    ;(this.app.getHttpServer() as HttpServer).keepAliveTimeout = 0
  }

  /** Stops and starts again on the same folder. */
  async restart(): Promise<void> {
    await this.close()
    await this.open()
  }

  get<T>(token: new (...args: never[]) => T): T {
    return this.app.get(token)
  }

  /** The connection that writes, past every rule of the program: what an older one left behind, or somebody with the file at hand. */
  get database(): DataSource {
    return this.app.get(Writer)['db']
  }

  /** Stops, and leaves the folder as it is. An answer that a test did not read to its end is not waited for. */
  async close(): Promise<void> {
    ;(this.app.getHttpServer() as HttpServer).closeAllConnections()
    await this.app.close()
  }

  async stop(): Promise<void> {
    await this.close()
    rmSync(this.dataDir, { recursive: true, force: true })
  }

  signIn(role: Role): Promise<Caller> {
    return this.signInAs({ email: `${role}@plumb.example`, password: DEMO_PASSWORD })
  }

  async signInAs({ email, password }: { email: string; password: string }): Promise<Caller> {
    const answer = await this.stranger().call('POST', '/api/session', { email, password })
    return new Caller(this.address, (answer.headers.getSetCookie()[0] ?? '').split(';')[0]!)
  }

  stranger(): Caller {
    return new Caller(this.address, '')
  }
}

/** Makes the first account of an empty installation, and signs in with it. */
export async function firstOf(server: RunningServer): Promise<Caller> {
  await server.stranger().call('POST', '/api/first-account', ADA)
  return server.signInAs(ADA)
}
export const FIRST_WORD = 'plumb'
export const ADA = {
  name: 'Ada',
  email: 'ada@plumb.example',
  password: 'three brass bobs',
  word: FIRST_WORD,
}

/** Somebody with a session, or without. */
export class Caller {
  constructor(
    private readonly address: string,
    readonly cookie: string,
  ) {}

  call(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Response> {
    const isForm = body instanceof FormData
    return fetch(`${this.address}${path}`, {
      method,
      headers: {
        cookie: this.cookie,
        'x-plumb-mark': '1',
        ...(body !== undefined && !isForm && { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body !== undefined && {
        body: isForm ? body : typeof body === 'string' ? body : JSON.stringify(body),
      }),
    })
  }

  async json<T>(method: string, path: string, body?: unknown): Promise<{ status: number; body: T }> {
    const response = await this.call(method, path, body)
    return { status: response.status, body: (await response.json()) as T }
  }

  async firstJob(): Promise<JobSummary> {
    return (await this.jobs())[0]!
  }

  /** The jobs that are listed for this person. */
  async jobs(): Promise<JobSummary[]> {
    return (await this.json<JobPage>('GET', '/api/jobs')).body.jobs
  }

  /** The first person here in that role, as the lists call them. */
  async somebody<R extends Role>(role: R): Promise<Person & { role: R }> {
    const { body } = await this.json<Person[]>('GET', '/api/people')
    return body.find((one) => one.role === role) as Person & { role: R }
  }

  bundle(jobId: string): Promise<{ status: number; body: JobBundle }> {
    return this.json<JobBundle>('GET', `/api/jobs/${jobId}`)
  }

  append(
    jobId: string,
    ...entries: object[]
  ): Promise<{
    status: number
    body: { entries: Entry[]; error?: { code: string; message: string; path?: string } }
  }> {
    return this.json('POST', `/api/jobs/${jobId}/entries`, { entries })
  }
}

export function entry<K extends EntryKind>(kind: K, body: EntryBodies[K] | object, id = uuid()) {
  return { id, kind, at: new Date().toISOString(), body }
}

export const torque = (typed = '2.5 N·m', value = 2.5, point = 'inv-2/dc-torque/pv1-plus') =>
  entry('reading', { point, typed, value, unit: 'N·m', relation: '=' })
