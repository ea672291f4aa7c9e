import { parse } from 'cookie'
import type { Request, Response } from 'express'

/** How long a session lasts. */
export const SESSION_HOURS = 14

const PLAIN = 'plumb_session'
/** Behind TLS a browser takes a cookie of this name from no other host, on no other path, over no plain line. */
const HOST = '__Host-plumb_session'
const nameOf = (secure: boolean) => (secure ? HOST : PLAIN)

/** The token that a browser sends, as text: what else a cookie may claim to hold is nobody's session. */
export function sessionToken(request: Request): string | undefined {
  const cookies = parse(request.headers.cookie ?? '')
  return cookies[HOST] ?? cookies[PLAIN]
}

export function setSession(response: Response, secure: boolean, token: string): void {
  response.cookie(nameOf(secure), token, { ...kept(secure), maxAge: SESSION_HOURS * 3_600_000 })
}

export function clearSession(response: Response, secure: boolean): void {
  response.clearCookie(nameOf(secure), kept(secure))
}

const kept = (secure: boolean) => ({ httpOnly: true, sameSite: 'strict', secure, path: '/' }) as const
