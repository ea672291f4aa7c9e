import { join } from 'node:path'
import { Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { attempt, type Attempt } from '@plumb-mark/core'
import { valueOf, type Answered } from '../work/answered.js'
import { WorkerPool, builtFile } from '../work/worker-pool.js'
import type { Asked } from './compute.worker.js'

/** Longer than any calculation within its limits takes, and short enough for somebody who waits. */
const MOST_MS = 5000

/** Calculations that may be long, beside the thread that answers everybody, with a time limit. */
@Injectable()
export class CalculationService implements OnApplicationShutdown {
  private readonly pool = new WorkerPool<Asked, Answered<undefined>>({
    file: builtFile(join(import.meta.dirname, 'compute.worker.js')),
    threads: 1,
    mostMs: MOST_MS,
    what: 'the calculation',
  })

  /** Does it come to a result? A calculation that takes too long is refused, and its thread ended. */
  async attempt(calculator: string, input: Record<string, unknown>): Promise<Attempt<undefined>> {
    const answer = await this.pool.run({ calculator, input })
    return attempt(() => valueOf(answer))
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.end()
  }
}
