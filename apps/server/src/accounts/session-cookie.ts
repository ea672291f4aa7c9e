import { Inject, Injectable } from '@nestjs/common'
import { parse } from 'cookie'
import type { Request, Response } from 'express'
import { SETTINGS, type Settings } from '../settings.js'

/** How long a session lasts. */
export const SESSION_HOURS = 14

const PLAIN = 'plumb_session'
/** Behind TLS a browser takes a cookie of this name from no other host, on no other path, over no plain line. */
const HOST = '__Host-plumb_session'

/** The cookie of a session. Behind TLS only one that no other host can have set is believed. */
@Injectable()
export class SessionCookie {
  private readonly secure: boolean

  constructor(@Inject(SETTINGS) { secureCookie }: Settings) {
    this.secure = secureCookie
  }

  /** The token that a browser sends, as text: what else a cookie may claim to hold is nobody's session. */
  tokenOf(request: Request): string | undefined {
    return parse(request.headers.cookie ?? '')[this.name]
  }

  set(response: Response, token: string): void {
    response.cookie(this.name, token, { ...this.kept, maxAge: SESSION_HOURS * 3_600_000 })
  }

  clear(response: Response): void {
    response.clearCookie(this.name, this.kept)
  }

  private get name(): string {
    return this.secure ? HOST : PLAIN
  }

  private get kept() {
    return { httpOnly: true, sameSite: 'strict', secure: this.secure, path: '/' } as const
  }
}
