import { parse } from 'cookie'
import type { Request } from 'express'

export const SESSION_COOKIE = 'plumb_session'

/** The token that a browser sends, as text: what else a cookie may claim to hold is nobody's session. */
export function sessionToken(request: Request): string | undefined {
  return parse(request.headers.cookie ?? '')[SESSION_COOKIE]
}
