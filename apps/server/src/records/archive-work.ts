import { join } from 'node:path'
import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { SETTINGS, type Settings } from '../settings.js'
import { valueOf, type Answered } from '../work/answered.js'
import { WorkerPool, builtFile, type Asking } from '../work/worker-pool.js'
import type { ArchiveAnswered, ArchiveAsked, ReadZip } from './archive.worker.js'

/** A record of some gigabytes on a slow disk. */
const MOST_MS = 600_000
const MOST_WAITING = 20

/** Whole records beside the thread that answers everybody: a thread for what leaves, one for what arrives and one that verifies, so that none holds up the others. */
@Injectable()
export class ArchiveWork implements OnApplicationShutdown {
  private readonly leaving = poolFor('the export')
  private readonly arriving = poolFor('reading the record')
  private readonly checking = poolFor('verifying the record')
  private readonly dataDir: string

  constructor(@Inject(SETTINGS) { dataDir }: Settings) {
    this.dataDir = dataDir
  }

  /** Packs a job into a file; false where it has no entries. */
  async pack(jobId: string, target: string, how: Asking): Promise<boolean> {
    const done = await run(this.leaving, { task: 'pack', dataDir: this.dataDir, jobId, target }, how)
    return (done as { packed: boolean }).packed
  }

  /** The open file of a job, as text; empty where it has no entries. */
  async inspection(jobId: string, how: Asking): Promise<Buffer> {
    const done = await run(this.leaving, { task: 'inspection', dataDir: this.dataDir, jobId }, how)
    return Buffer.from((done as { text: Uint8Array }).text)
  }

  /** What is broken in a job as it is kept, in words. */
  async verify(jobId: string): Promise<string[]> {
    const done = await run(this.checking, { task: 'verify', dataDir: this.dataDir, jobId }, {})
    return (done as { broken: string[] }).broken
  }

  /** Reads a ZIP, verified; unpacked into a folder where one is named. Bad input: what a record cannot be. */
  async read(zip: string, how: Asking & { unpackTo?: string } = {}): Promise<ReadZip> {
    const { unpackTo, ...asking } = how
    const asked = { task: 'read', zip, ...(unpackTo !== undefined && { unpackTo }) } as const
    return (await run(this.arriving, asked, asking)) as ReadZip
  }

  async onApplicationShutdown(): Promise<void> {
    await Promise.all([this.leaving, this.arriving, this.checking].map((pool) => pool.end()))
  }
}

type Pool = WorkerPool<ArchiveAsked, Answered<ArchiveAnswered>>

const poolFor = (what: string): Pool =>
  new WorkerPool({
    file: builtFile(join(import.meta.dirname, 'archive.worker.js')),
    threads: 1,
    mostMs: MOST_MS,
    mostWaiting: MOST_WAITING,
    what,
  })

const run = async (pool: Pool, asked: ArchiveAsked, how: Asking): Promise<ArchiveAnswered> =>
  valueOf(await pool.run(asked, how))
