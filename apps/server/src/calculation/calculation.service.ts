import { join, sep } from 'node:path'
import { Injectable, type OnApplicationShutdown } from '@nestjs/common'
import { Piscina } from 'piscina'
import { BadInput, type Attempt, type BadInputCode } from '@plumb-mark/core'
import { Refused } from '../http/refused.js'
import type { Answered, Asked } from './compute.worker.js'

/** Longer than any calculation within its limits takes, and short enough for somebody who waits. */
const MOST_MS = 5000

/** Workers run what was built, also when the server itself is run from its sources. */
const BUILT = import.meta.dirname.replace(`${sep}src${sep}`, `${sep}dist${sep}`)

/** Calculations that may be long, beside the thread that answers everybody, with a time limit. */
@Injectable()
export class CalculationService implements OnApplicationShutdown {
  private pool: Piscina<Asked, Answered> | undefined

  /** Does it come to a result? A calculation that takes too long is refused, and its thread ended. */
  async attempt(calculator: string, input: Record<string, unknown>): Promise<Attempt<undefined>> {
    this.pool ??= new Piscina({
      filename: join(BUILT, 'compute.worker.js'),
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: 30_000,
      maxQueue: 20,
    })
    const signal = AbortSignal.timeout(MOST_MS)
    const answer = await this.pool.run({ calculator, input }, { signal }).catch((problem: unknown) => {
      if (signal.aborted)
        throw new Refused(422, 'too-long', `the calculation takes longer than ${MOST_MS / 1000} s`)
      if (problem instanceof Error && /queue/i.test(problem.message))
        throw new Refused(503, 'busy', 'too many calculations are waiting: try again in a moment')
      throw problem
    })
    if (answer.ok) return { ok: true, value: undefined }
    return { ok: false, problem: new BadInput(answer.code as BadInputCode, answer.path, answer.reason) }
  }

  async onApplicationShutdown(): Promise<void> {
    await this.pool?.destroy()
  }
}
