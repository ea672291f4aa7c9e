import { Refused } from './refused.js'
import type { NextFunction, Request, Response } from 'express'

const SAFE = new Set(['GET', 'HEAD', 'OPTIONS'])

/**
 * Refuses writes that another site makes a browser send: with `sameSite=strict` the cookie stays away already, and a write must also
 * carry our own header, which a foreign form or image cannot set.
 */
export function sameOrigin(request: Request, _response: Response, next: NextFunction): void {
  if (SAFE.has(request.method)) return next()
  const { origin, host } = request.headers
  const foreign = origin !== undefined && hostOf(origin) !== host
  const refused = foreign || request.headers['x-plumb-mark'] === undefined
  next(
    refused
      ? new Refused(403, 'foreign-request', 'writes are taken only from the application itself')
      : undefined,
  )
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host
  } catch {
    return undefined
  }
}
