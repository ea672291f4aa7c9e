import type { LoggerService } from '@nestjs/common'
import { pino, stdSerializers, type DestinationStream, type Logger } from 'pino'
import { inSources } from './source-lines.js'

export type Log = Logger

/**
 * Structured lines on standard output, one a happening. Passwords, cookies and bodies are never handed to it; should one slip in under its
 * usual name, it is left out.
 */
export function createLog(destination?: DestinationStream): Log {
  const options = {
    base: null,
    serializers: { err: fault },
    redact: { paths: ['password', 'cookie', 'body', '*.password', '*.cookie', '*.body'], remove: true },
  }
  return destination ? pino(options, destination) : pino(options)
}

function fault(problem: Error) {
  const told = stdSerializers.err(problem)
  return { ...told, ...(told.stack !== undefined && { stack: inSources(told.stack) }) }
}

/** The framework's warnings and errors go the same way; what it tells of putting itself together is left out. */
export class FrameworkLog implements LoggerService {
  constructor(private readonly lines: Log) {}

  log(): void {}

  warn(message: unknown, ...more: unknown[]): void {
    this.lines.warn({ more }, String(message))
  }

  error(message: unknown, ...more: unknown[]): void {
    this.lines.error({ more }, String(message))
  }
}
