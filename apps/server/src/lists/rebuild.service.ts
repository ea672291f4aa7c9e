import { Inject, Injectable, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common'
import { setImmediate as turn } from 'node:timers/promises'
import { DataSource } from 'typeorm'
import { Writer } from '../database/writer.js'
import { EntriesService } from '../entries/entries.service.js'
import { JobRow } from '../entries/job.entities.js'
import { SETTINGS, type Settings } from '../settings.js'
import { SUMMARY_VERSION, listRowsOf, unjudgedRows, writeListRows, type ListRows } from './list-rows.js'

/** What the command line asked to have made anew is found within a minute. */
const LOOK_AGAIN_MS = 60_000

/** Makes rows of lists anew that are missing or of an earlier version, one job after the other, while everybody works. */
@Injectable()
export class RebuildService implements OnApplicationBootstrap, OnApplicationShutdown {
  private stopped = false
  private timer: NodeJS.Timeout | undefined
  private running: Promise<number> = Promise.resolve(0)

  constructor(
    private readonly db: DataSource,
    private readonly writer: Writer,
    private readonly entries: EntriesService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  onApplicationBootstrap(): void {
    this.running = this.stale()
    this.timer = setInterval(() => {
      this.running = this.running.then(() => this.stale())
    }, LOOK_AGAIN_MS).unref()
  }

  async onApplicationShutdown(): Promise<void> {
    this.stopped = true
    clearInterval(this.timer)
    await this.running
  }

  /** Resolves when what was begun is done. */
  async settled(): Promise<void> {
    await this.running
  }

  private async stale(): Promise<number> {
    let count = 0
    for (;;) {
      const stale = (await this.db.query(
        `SELECT jobs.id FROM jobs LEFT JOIN job_summaries s ON s.jobId = jobs.id WHERE s.version IS NOT ? LIMIT 50`,
        [SUMMARY_VERSION],
      )) as { id: string }[]
      for (const { id } of stale) {
        if (this.stopped) return count
        await this.one(id)
        count++
        // Others are answered between two jobs.
        await turn()
      }
      if (stale.length === 0) return count
    }
  }

  /** The rows of one job anew. */
  one(jobId: string): Promise<void> {
    return this.entries.whileStill(jobId, async (judged) => {
      const job = await this.db.getRepository(JobRow).findOneByOrFail({ id: jobId })
      const { changedAt, sealedAt } = job
      let rows: ListRows
      let openedAt = changedAt
      try {
        const { inspection, entries } = await judged()
        rows = listRowsOf(inspection)
        openedAt = entries[0]?.at ?? changedAt
      } catch (problem) {
        // One that cannot be judged is listed with its reason and hides none of the others.
        this.settings.log.error({ err: problem, job: jobId }, 'fault: a job cannot be judged')
        rows = unjudgedRows({ number: job.number, ...(await this.headerOf(jobId)) }, sealedAt !== null)
      }
      await this.writer.inTransaction((db) => writeListRows(db, jobId, { openedAt, changedAt }, rows))
    })
  }

  /** What the first entry says of the job, without reading any further. */
  private async headerOf(jobId: string): Promise<Record<string, string>> {
    const [header = {}] = (await this.db.query(
      `SELECT json_extract(body, '$.title') AS title, json_extract(body, '$.site') AS site, json_extract(body, '$.customer') AS customer
       FROM entries WHERE jobId = ? AND seq = 1 AND json_valid(body)`,
      [jobId],
    )) as Record<string, string>[]
    return header
  }
}
