import type { Server } from 'node:http'
import type { INestApplication } from '@nestjs/common'
import type { Log } from './http/log.js'

/** How long what is under way may still take, and after that, how long putting everything away may. */
const GRACE_MS = 1500
const MOST_MS = 4000

/**
 * Stops politely on the signal of an operator: takes nothing new, lets what is under way end, then closes whatever still hangs on a
 * connection. An append is whole on the disk or not there at all, so nothing is lost by the end coming soon.
 */
export function stopOnSignal(app: INestApplication, log: Log): void {
  let stopping = false
  const stop = (signal: NodeJS.Signals) => {
    if (stopping) return
    stopping = true
    log.info({ signal }, 'stopping')
    const server = app.getHttpServer() as Server
    server.closeIdleConnections()
    setTimeout(() => server.closeAllConnections(), GRACE_MS).unref()
    setTimeout(() => end(log, 1), MOST_MS).unref()
    app.close().then(
      () => end(log, 0),
      (problem: unknown) => (log.error({ err: problem }, 'fault while stopping'), end(log, 1)),
    )
  }
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, stop)
}

function end(log: Log, code: number): void {
  log.info({ code }, 'stopped')
  process.exit(code)
}
