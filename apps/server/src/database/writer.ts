import { setImmediate as turn, setTimeout as sleep } from 'node:timers/promises'
import type { DataSource, EntityManager } from 'typeorm'
import { REFUSAL, refusalOf } from '@plumb-mark/archive'
import { PerKeyQueue } from '../http/per-key-queue.js'
import { Busy, Refused } from '../http/refused.js'

/** How long a write waits for another process that holds the database, counted from when it was asked for. */
const PATIENCE_MS = 2000
const TRY_AGAIN_MS = 20

/**
 * The one way to write. A connection of its own, on which one short transaction runs after the other and nothing else meanwhile: whoever
 * shares a connection with an open transaction is undone with it. All reading goes over the read-only connection (`DataSource`), which
 * sees only what is committed. What takes long is done before: `work` writes, and reads what must not change until it has written.
 */
export class Writer {
  private readonly queue = new PerKeyQueue()

  constructor(private readonly db: DataSource) {}

  /**
   * All of `work` or nothing of it; when this resolves it is on the disk, and nobody can take it back. Refused with 503 while another
   * process holds the database, with 409 when something of the same id or name came in between.
   */
  inTransaction<T>(work: (transaction: EntityManager) => Promise<T>): Promise<T> {
    const patience = Date.now() + PATIENCE_MS
    return this.queue.run('the database', async () => {
      // The database answers at once: without a turn in between a long line of writes would let nobody be answered.
      await turn()
      const runner = this.db.createQueryRunner()
      await this.begin(() => runner.query('BEGIN IMMEDIATE'), patience)
      try {
        const done = await work(runner.manager)
        await runner.query('COMMIT')
        return done
      } catch (problem) {
        await runner.query('ROLLBACK')
        throw asRefusal(problem)
      }
    })
  }

  async close(): Promise<void> {
    await this.queue.run('the database', () => this.db.destroy())
  }

  private async begin(attempt: () => Promise<unknown>, patience: number): Promise<void> {
    for (;;) {
      try {
        return void (await attempt())
      } catch (problem) {
        if (codeOf(problem) !== REFUSAL.busy) throw problem
        if (Date.now() >= patience) throw busy()
        await sleep(TRY_AGAIN_MS)
      }
    }
  }
}

const busy = () => new Busy('another program is writing to the database: try again in a moment')

const TAKEN = new Set<number>([REFUSAL.primaryKey, REFUSAL.unique])

function asRefusal(problem: unknown): unknown {
  if (TAKEN.has(codeOf(problem)) || isInTheWay(problem))
    return new Refused(409, 'taken', 'something with this id or name came at the same moment: load it again')
  return codeOf(problem) === REFUSAL.busy ? busy() : problem
}

/** Triggers that keep rows from being replaced answer where the constraint would have. */
const isInTheWay = (problem: unknown) =>
  codeOf(problem) === REFUSAL.trigger && /never (changed|replaced)/.test((problem as Error).message)

/** TypeORM wraps what the database refuses. */
const codeOf = (problem: unknown) => refusalOf((problem as { driverError?: unknown }).driverError ?? problem)
