import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'
import { Inject, Injectable } from '@nestjs/common'
import { parse } from 'cookie'
import type { Request, Response } from 'express'
import { FiguresService } from '../figures/figures.service.js'
import { SETTINGS, type Settings } from '../settings.js'

export const DEVICE_SECRET = 'known-device-secret'
const DAYS = 400
/** Who shares one tablet. */
const MOST_PEOPLE = 12
const FORM = /^[\w-]{22}$/
const PLAIN = 'plumb_device'

/**
 * A signed cookie by which a device is known on which somebody signed in before. It opens nothing; it keeps others from holding up that
 * person by wrong tries.
 */
@Injectable()
export class KnownDevice {
  private secret: Promise<string> | undefined
  private readonly secure: boolean

  constructor(
    private readonly figures: FiguresService,
    @Inject(SETTINGS) { secureCookie }: Settings,
  ) {
    this.secure = secureCookie
  }

  /** The id of the device, when it is one that this account was used on. */
  async of(request: Request, account: string): Promise<string | undefined> {
    const { id, signatures } = this.read(request)
    if (!id) return undefined
    const wanted = Buffer.from(await this.sign(id, account))
    const known = signatures.some((one) => {
      const sent = Buffer.from(one)
      return sent.length === wanted.length && timingSafeEqual(sent, wanted)
    })
    return known ? id : undefined
  }

  /** After signing in: several may use one tablet. */
  async remember(request: Request, response: Response, account: string): Promise<void> {
    const before = this.read(request)
    const id = before.id ?? randomBytes(16).toString('base64url')
    const signature = await this.sign(id, account)
    const signatures = [signature, ...before.signatures.filter((one) => one !== signature)].slice(
      0,
      MOST_PEOPLE,
    )
    response.cookie(this.name, [id, ...signatures].join('.'), {
      httpOnly: true,
      sameSite: 'strict',
      secure: this.secure,
      path: '/',
      maxAge: DAYS * 86_400_000,
    })
  }

  private read(request: Request): { id: string | undefined; signatures: string[] } {
    const [id, ...signatures] = (parse(request.headers.cookie ?? '')[this.name] ?? '').split('.')
    return FORM.test(id ?? '') ? { id, signatures } : { id: undefined, signatures: [] }
  }

  private get name(): string {
    return this.secure ? `__Host-${PLAIN}` : PLAIN
  }

  private async sign(id: string, account: string): Promise<string> {
    this.secret ??= this.readSecret()
    return createHmac('sha256', await this.secret)
      .update(`${id} ${account}`)
      .digest('base64url')
  }

  private async readSecret(): Promise<string> {
    const kept = await this.figures.read<string>(DEVICE_SECRET)
    if (kept) return kept
    const made = randomBytes(32).toString('base64url')
    await this.figures.keep(DEVICE_SECRET, made)
    return made
  }
}
