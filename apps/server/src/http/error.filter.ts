import { Catch, HttpException, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common'
import type { Response } from 'express'
import { BadInput, asErrorShape, type ErrorShape } from '@plumb-mark/core'
import type { Log } from './log.js'
import { Busy, Refused } from './refused.js'
import type { Named } from './request-id.js'

/**
 * One error shape everywhere: `{ error: { code, message, path?, requestId } }`. A fault of ours is told without its inside and logged with
 * its stack; a refusal that tells of somebody at a closed door is logged too.
 */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  constructor(private readonly log: Log) {}

  catch(problem: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp()
    const { requestId, method, path, person } = http.getRequest<Named & { person?: { id: string } }>()
    const response = http.getResponse<Response>()
    const { status, body } = answer(problem)
    const where = { requestId, method, path, status, person: person?.id }
    if (status >= 500) this.log.error({ ...where, err: problem }, 'fault')
    else if (CLOSED_DOORS.has(status)) this.log.warn({ ...where, code: body.error.code }, 'refused')
    if (response.headersSent) return void response.end()
    if (problem instanceof Busy) response.setHeader('Retry-After', problem.retryAfterSeconds)
    response.status(status).json({ error: { ...body.error, ...(requestId && { requestId }) } })
  }
}

function answer(problem: unknown): { status: number; body: ErrorShape } {
  if (problem instanceof Refused)
    return { status: problem.status, body: shape(problem.code, problem.message, problem.path) }
  if (problem instanceof BadInput) return { status: 400, body: asErrorShape(problem) }
  if (problem instanceof HttpException)
    return {
      status: problem.getStatus(),
      body: shape(CODES[problem.getStatus()] ?? 'http-error', problem.message),
    }
  if (isBodyError(problem))
    return { status: problem.status, body: shape(CODES[problem.status] ?? 'bad-request', problem.message) }
  return { status: 500, body: shape('fault', 'something went wrong on our side; nothing was kept') }
}

const CLOSED_DOORS = new Set([401, 403, 429])
const CODES: Record<number, string> = {
  400: 'bad-request',
  401: 'not-signed-in',
  403: 'forbidden',
  404: 'not-found',
  413: 'too-large',
  415: 'wrong-type',
  429: 'too-many-tries',
}

const shape = (code: string, message: string, path?: string): ErrorShape => ({
  error: path ? { code, message, path } : { code, message },
})

/** What the body parsers throw. */
function isBodyError(problem: unknown): problem is { status: number; message: string } {
  return (
    typeof problem === 'object' &&
    problem !== null &&
    'status' in problem &&
    typeof problem.status === 'number' &&
    problem.status < 500 &&
    'message' in problem
  )
}
