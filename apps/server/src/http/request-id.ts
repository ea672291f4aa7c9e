import { randomUUID } from 'node:crypto'
import type { NextFunction, Request, Response } from 'express'

/** By which a person who saw an error, and the line in the log that tells its cause, find each other. */
export type Named = Request & { requestId?: string }

export function nameRequest(request: Named, response: Response, next: NextFunction): void {
  request.requestId = randomUUID()
  response.setHeader('X-Request-Id', request.requestId)
  next()
}
