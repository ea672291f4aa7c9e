import { rateLimit, type RateLimitRequestHandler } from 'express-rate-limit'

/** Failed tries at signing in, from one address, before a minute's rest. */
const TRIES = 12

/** Slows down somebody who guesses at passwords; signing in rightly does not count. */
export function slowGuessing(): RateLimitRequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: TRIES,
    skipSuccessfulRequests: true,
    skip: ({ method }) => method !== 'POST',
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_request, response) => void response.status(429).json({ error: { code: 'too-many-tries', message: 'too many tries: wait a minute, then try again' } }),
  })
}
