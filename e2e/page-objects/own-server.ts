import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const MAIN = join(import.meta.dirname, '..', '..', 'apps', 'server', 'bundle', 'main.js')
/** A first start loads the demo data; on a busy machine that takes its time. */
const PATIENCE_MS = 100_000

/** An installation of a walk's own, which it may kill and start again. */
export class OwnServer {
  readonly address: string
  private readonly port: number
  private readonly dataDir = mkdtempSync(join(tmpdir(), 'plumb-mark-own-'))
  private running: ChildProcess | undefined

  /** `beside` tells it from the others of its lane. */
  constructor(
    beside: number,
    private readonly options: readonly string[] = [],
  ) {
    this.port = Number(process.env['E2E_PORT'] ?? 4199) + beside
    this.address = `http://127.0.0.1:${this.port}`
  }

  async start(): Promise<void> {
    this.running = spawn(
      process.execPath,
      [MAIN, ...this.options, '--port', String(this.port), '--data', this.dataDir],
      { stdio: 'ignore' },
    )
    const until = Date.now() + PATIENCE_MS
    while (Date.now() < until) {
      if (await fetch(this.address).catch(() => undefined)) return
      await new Promise((resolve) => setTimeout(resolve, 200))
    }
    throw new Error(`no server answers at ${this.address}`)
  }

  async kill(): Promise<void> {
    const { running } = this
    if (!running || running.exitCode !== null || running.signalCode !== null) return
    const gone = new Promise((resolve) => running.once('exit', resolve))
    running.kill('SIGKILL')
    await gone
  }

  async remove(): Promise<void> {
    await this.kill()
    rmSync(this.dataDir, { recursive: true, force: true })
  }
}
