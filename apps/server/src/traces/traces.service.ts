import { createReadStream, existsSync } from 'node:fs'
import { mkdir, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { createGunzip, gzip } from 'node:zlib'
import type { Readable } from 'node:stream'
import { Inject, Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { DataSource } from 'typeorm'
import { digestOfPacked, sha256, durable, tracePath } from '@plumb-mark/archive'
import type { TraceKept } from '@plumb-mark/contract'
import { canonicalJson, type JobId, type TraceAnswer } from '@plumb-mark/core'
import { Writer } from '../database/writer.js'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Refused, notFound } from '../http/refused.js'
import { WorkerPool, builtFile } from '../work/worker-pool.js'
import { RecordsService } from '../records/records.service.js'
import { SETTINGS, type Settings } from '../settings.js'
import { TraceRow } from './trace.entity.js'
import type { TraceAsked, TraceRead } from './trace.worker.js'
import { valueOf, type Answered } from '../work/answered.js'

export const LARGEST_TRACE_BYTES = 64 * 1024 * 1024
const MOST_MS = 10_000
const pack = promisify(gzip)

/** Traces of tests: whole files beside the database under their digest, packed; what they say of a limit is worked out from them. */
@Injectable()
export class TracesService implements OnApplicationShutdown {
  private readonly queue = new PerKeyQueue()
  private readonly pool = new WorkerPool<TraceAsked, Answered<TraceRead>>({
    file: builtFile(join(import.meta.dirname, 'trace.worker.js')),
    threads: 1,
    mostMs: MOST_MS,
    what: 'reading the trace',
  })

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly records: RecordsService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  /**
   * Keeps a file that reads as a trace to its last row; sent twice it is kept once. Whoever calls has seen to it that the job may be
   * written.
   */
  keep(personId: string, jobId: JobId, id: string, content: Buffer): Promise<TraceKept> {
    return this.queue.run(id, async () => {
      const digest = sha256(content)
      const before = await this.db.getRepository(TraceRow).findOneBy({ id })
      if (before) {
        if (before.jobId === jobId && before.sha256 === digest) return answer(before)
        throw new Refused(409, 'id-reused', 'another trace has this id already')
      }
      const { samples, bytes } = await this.write(digest, content)
      const row: TraceRow = {
        id,
        jobId,
        sha256: digest,
        samples,
        bytes,
        personId,
        keptAt: new Date().toISOString(),
      }
      await this.writer.inTransaction((transaction) => transaction.insert(TraceRow, row))
      return answer(row)
    })
  }

  /** The CSV of a trace, as it was kept. */
  async open(jobId: JobId, id: string): Promise<Readable> {
    const row = await this.db.getRepository(TraceRow).findOneBy({ id, jobId })
    const foreign = row ? undefined : await this.records.fileOf(jobId, 'traces', id)
    if (!row && !foreign) throw notFound('trace')
    const packed = createReadStream(row ? this.path(row.sha256) : tracePath(foreign!.folder, foreign!.sha256))
    // A file that is gone is told by whoever reads what comes out.
    const content = createGunzip()
    packed.on('error', (problem) => content.destroy(problem)).pipe(content)
    return content
  }

  /** What an answer says of its trace must be what the kept file says: nobody can write down another outcome. */
  async requireTrue(jobId: JobId, { trace, channel, eventAt, end, by, found }: TraceAnswer): Promise<void> {
    const row = await this.db.getRepository(TraceRow).findOneBy({ id: trace.id, jobId, sha256: trace.sha256 })
    if (!row) throw new Refused(409, 'unknown-trace', 'send the trace before the entry that shows it')
    const answer = await this.read(row.sha256, { channel, eventAt, by })
    if (!answer.ok)
      throw new Refused(409, answer.code, `the trace cannot be judged so: ${answer.reason}`, answer.path)
    const read = valueOf(answer)
    const same = canonicalJson(read.found) === canonicalJson(found) && read.samples === trace.samples
    if (!same || read.end !== end)
      throw new Refused(
        409,
        'trace-differs',
        'the kept trace says something else than the entry: judge it again',
      )
  }

  private async write(digest: string, content: Buffer): Promise<{ samples: number; bytes: number }> {
    const file = this.path(digest)
    const fresh = !existsSync(file) || (await digestOfPacked(file)) !== digest
    if (fresh) {
      await mkdir(join(file, '..'), { recursive: true })
      await durable(file, await pack(content, { level: 9 }))
    }
    const answer = await this.read(digest)
    if (answer.ok) return { samples: answer.value.samples, bytes: (await stat(file)).size }
    if (fresh) await rm(file)
    throw new Refused(400, answer.code, `this is no trace: ${answer.reason}`, answer.path)
  }

  private read(digest: string, judge?: TraceAsked['judge']): Promise<Answered<TraceRead>> {
    return this.pool.run({ file: this.path(digest), digest, ...(judge && { judge }) })
  }

  private path(digest: string): string {
    return tracePath(this.settings.dataDir, digest)
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.end()
  }
}

const answer = ({ id, sha256: digest, samples, bytes }: TraceRow): TraceKept => ({
  id,
  sha256: digest,
  samples,
  bytes,
})
