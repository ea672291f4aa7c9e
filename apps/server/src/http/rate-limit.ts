import { rateLimit, type RateLimitRequestHandler } from 'express-rate-limit'
import { Refused } from './refused.js'

/** Failed tries at signing in, from one address or into one account, before a minute's rest. */
export const SIGN_IN_TRIES = 12
export const TRIES_WINDOW_MS = 60_000

export const tooManyTries = (): Refused =>
  new Refused(429, 'too-many-tries', 'too many tries: wait a minute, then try again')

/** Holds up somebody who tries one-time links and words, by address; what was right does not count. */
export function limitTries(): RateLimitRequestHandler {
  return rateLimit({
    windowMs: TRIES_WINDOW_MS,
    limit: SIGN_IN_TRIES,
    skipSuccessfulRequests: true,
    skip: ({ method }) => method !== 'POST',
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_request, _response, next) => next(tooManyTries()),
  })
}
