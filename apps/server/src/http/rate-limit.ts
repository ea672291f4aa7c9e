import { rateLimit, type RateLimitRequestHandler } from 'express-rate-limit'
import { Refused } from './refused.js'

/** Failed tries at signing in, from one address, before a minute's rest. */
const TRIES = 12

/** Holds up somebody who tries passwords; signing in rightly does not count. */
export function limitSignIns(): RateLimitRequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: TRIES,
    skipSuccessfulRequests: true,
    skip: ({ method, path }) => method !== 'POST' || path === '/end',
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_request, _response, next) =>
      next(new Refused(429, 'too-many-tries', 'too many tries: wait a minute, then try again')),
  })
}
