import { join } from 'node:path'
import { Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { BadInput, type Attempt, type BadInputCode } from '@plumb-mark/core'
import { WorkerPool, builtFile } from '../work/worker-pool.js'
import type { Answered, Asked } from './compute.worker.js'

/** Longer than any calculation within its limits takes, and short enough for somebody who waits. */
const MOST_MS = 5000

/** Calculations that may be long, beside the thread that answers everybody, with a time limit. */
@Injectable()
export class CalculationService implements OnApplicationShutdown {
  private readonly pool = new WorkerPool<Asked, Answered>({
    file: builtFile(join(import.meta.dirname, 'compute.worker.js')),
    threads: 1,
    mostMs: MOST_MS,
    what: 'the calculation',
  })

  /** Does it come to a result? A calculation that takes too long is refused, and its thread ended. */
  async attempt(calculator: string, input: Record<string, unknown>): Promise<Attempt<undefined>> {
    const answer = await this.pool.run({ calculator, input })
    if (answer.ok) return { ok: true, value: undefined }
    return { ok: false, problem: new BadInput(answer.code as BadInputCode, answer.path, answer.reason) }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool.end()
  }
}
