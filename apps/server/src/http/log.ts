import type { LoggerService } from '@nestjs/common'
import { pino, type DestinationStream, type Logger } from 'pino'

export type Log = Logger

/**
 * Structured lines on standard output, one a happening. Passwords, cookies and bodies are never handed to it; should one slip in under its
 * usual name, it is left out.
 */
export function createLog(destination?: DestinationStream): Log {
  const options = {
    base: null,
    redact: { paths: ['password', 'cookie', 'body', '*.password', '*.cookie', '*.body'], remove: true },
  }
  return destination ? pino(options, destination) : pino(options)
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
