import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common'
import type { Response } from 'express'
import { BadInput, asErrorShape, type ErrorShape } from '@plumb-mark/core'
import { Refused } from './refused.js'

/** One error shape everywhere: `{ error: { code, message, path? } }`; a fault of ours is logged whole and told without its inside. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  private readonly log = new Logger('fault')

  catch(problem: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>()
    if (response.headersSent) return void response.end()
    const { status, body } = this.answer(problem)
    response.status(status).json(body)
  }

  private answer(problem: unknown): { status: number; body: ErrorShape } {
    if (problem instanceof Refused) return { status: problem.status, body: shape(problem.code, problem.message, problem.path) }
    if (problem instanceof BadInput) return { status: 400, body: asErrorShape(problem) }
    if (problem instanceof HttpException) return { status: problem.getStatus(), body: shape(CODES[problem.getStatus()] ?? 'http-error', problem.message) }
    if (isBodyError(problem)) return { status: problem.status, body: shape(CODES[problem.status] ?? 'bad-request', problem.message) }
    this.log.error(problem instanceof Error ? problem.stack : problem)
    return { status: 500, body: shape('fault', 'something went wrong on our side; nothing was kept') }
  }
}

const CODES: Record<number, string> = { 400: 'bad-request', 401: 'not-signed-in', 403: 'forbidden', 404: 'not-found', 413: 'too-large', 415: 'wrong-type', 429: 'too-many-tries' }

const shape = (code: string, message: string, path?: string): ErrorShape => ({ error: path ? { code, message, path } : { code, message } })

/** What the body parsers throw. */
function isBodyError(problem: unknown): problem is { status: number; message: string } {
  return typeof problem === 'object' && problem !== null && 'status' in problem && typeof problem.status === 'number' && problem.status < 500 && 'message' in problem
}
