import { basename, join, sep } from 'node:path'
import { MessageChannel } from 'node:worker_threads'
import { Piscina } from 'piscina'
import type { WorkProgress } from '@plumb-mark/contract'
import { Refused } from '../http/refused.js'
import { Line } from './line.js'

/** Workers run what was bundled, also when the server itself is run from its sources. */
export function builtFile(file: string): string {
  const sources = join('server', 'src') + sep
  const at = file.lastIndexOf(sources)
  return at < 0 ? file : join(file.slice(0, at), 'server', 'bundle', basename(file))
}

/** Whoever answers everybody comes first, also on a machine with few cores. */
const NICE = 10
const MOST_WAITING = 40
/** A thread that wants more ends, and nothing else with it. */
const MOST_MB = 512

/** How far a long work is, as its worker tells it. */
export type Step = WorkProgress

/** Who asked, and how they hear of it. */
export interface Asking {
  signal?: AbortSignal | undefined
  onStep?: ((step: Step) => void) | undefined
}

/**
 * Threads for one kind of long work beside the thread that answers everybody: few at a time, the rest in a line, each with a time limit and
 * a limit of memory; a work that takes too long or is called off ends with its thread.
 */
export class WorkerPool<Asked, Answered> {
  private pool: Piscina<Asked & { port?: MessagePort }, Answered> | undefined
  private readonly line: Line

  constructor(
    private readonly options: {
      /** The built file of the worker. */
      file: string
      threads: number
      mostMs: number
      /** As in “the report takes longer”. */
      what: string
      /** How many may wait. */
      mostWaiting?: number
    },
  ) {
    this.line = new Line(options.threads, options.mostWaiting ?? MOST_WAITING)
  }

  async run(asked: Asked, { signal, onStep }: Asking = {}): Promise<Answered> {
    const leave = await this.line.enter({ signal, tell: (before) => onStep?.({ done: 0, of: 0, before }) })
    try {
      return await this.runNow(asked, { signal, onStep })
    } finally {
      leave()
    }
  }

  private async runNow(asked: Asked, { signal, onStep }: Asking): Promise<Answered> {
    const { file, threads, mostMs, what } = this.options
    this.pool ??= new Piscina({
      filename: file,
      minThreads: 0,
      maxThreads: threads,
      idleTimeout: 30_000,
      niceIncrement: NICE,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
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
      if ((problem as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new Refused(413, 'too-large', `${what} takes more memory than it may have`)
      throw problem
    } finally {
      port1.close()
    }
  }

  async end(): Promise<void> {
    await this.pool?.destroy()
  }
}
