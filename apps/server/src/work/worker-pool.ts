import { sep } from 'node:path'
import { MessageChannel } from 'node:worker_threads'
import { Piscina } from 'piscina'
import { Busy, Refused } from '../http/refused.js'

/** Workers run what was built, also when the server itself is run from its sources. */
export const builtFile = (file: string): string => file.replace(`${sep}src${sep}`, `${sep}dist${sep}`)

/** Whoever answers everybody comes first, also on a machine with few cores. */
const NICE = 10

/** How far a long work is, as its worker tells it. */
export interface Step {
  done: number
  of: number
}

/**
 * Threads for one kind of long work beside the thread that answers everybody: few at a time, the rest in a queue, each with a time limit; a
 * work that takes too long or is called off ends with its thread.
 */
export class WorkerPool<Asked, Answered> {
  private pool: Piscina<Asked & { port?: MessagePort }, Answered> | undefined

  constructor(
    private readonly options: {
      /** The built file of the worker. */
      file: string
      threads: number
      mostMs: number
      /** As in “the report takes longer”. */
      what: string
    },
  ) {}

  async run(
    asked: Asked,
    {
      signal,
      onStep,
    }: { signal?: AbortSignal | undefined; onStep?: ((step: Step) => void) | undefined } = {},
  ): Promise<Answered> {
    const { file, threads, mostMs, what } = this.options
    this.pool ??= new Piscina({
      filename: file,
      minThreads: 0,
      maxThreads: threads,
      idleTimeout: 30_000,
      maxQueue: 40,
      niceIncrement: NICE,
    })
    const limit = AbortSignal.timeout(mostMs)
    const both = signal ? AbortSignal.any([signal, limit]) : limit
    const { port1, port2 } = new MessageChannel()
    port1.on('message', (step: Step) => onStep?.(step))
    try {
      return await this.pool.run(
        { ...asked, port: port2 as never },
        { signal: both, transferList: [port2 as never] },
      )
    } catch (problem) {
      if (signal?.aborted) throw new Refused(499, 'called-off', `${what} was called off`)
      if (limit.aborted) throw new Refused(422, 'too-long', `${what} takes longer than ${mostMs / 1000} s`)
      if (problem instanceof Error && /queue/i.test(problem.message))
        throw new Busy('too much is waiting: try again in a moment')
      throw problem
    } finally {
      port1.close()
    }
  }

  async end(): Promise<void> {
    await this.pool?.destroy()
  }
}
