import { Body, Controller, Get, HttpCode, Inject, Post, Req, Res } from '@nestjs/common'
import type { Response } from 'express'
import { SignInDto, type SignedIn } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { DtoPipe } from '../http/dto.pipe.js'
import type { Named } from '../http/request-id.js'
import { SETTINGS, type Settings } from '../settings.js'
import { Anyone, By, MayCall, type SignedInRequest } from './access.js'
import { AccountsService, SESSION_HOURS } from './accounts.service.js'
import { SESSION_COOKIE, sessionToken } from './session-cookie.js'

@Controller('api')
export class AccountsController {
  constructor(
    private readonly accounts: AccountsService,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  @Anyone()
  @HttpCode(200)
  @Post('session')
  async signIn(
    @Body(new DtoPipe(SignInDto)) { email, password }: SignInDto,
    @Req() { requestId }: Named,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SignedIn> {
    const { person, token } = await this.accounts.signIn(email, password)
    this.settings.log.info({ requestId, person: person.id, role: person.role }, 'signed in')
    response.cookie(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: this.settings.secureCookie,
      maxAge: SESSION_HOURS * 3_600_000,
      path: '/',
    })
    return { person }
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get('session')
  session(@By() person: Person): SignedIn {
    return { person }
  }

  @Anyone()
  @HttpCode(204)
  @Post('session/end')
  async signOut(
    @Req() request: SignedInRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    await this.accounts.signOut(sessionToken(request))
    response.clearCookie(SESSION_COOKIE, { path: '/' })
  }

  @MayCall('inspector', 'reviewer', 'office')
  @Get('people/installers')
  installers(): Promise<Person[]> {
    return this.accounts.people('installer')
  }

  /** Everybody who may be sent on a visit. */
  @MayCall('inspector', 'office')
  @Get('people')
  everybody(): Promise<Person[]> {
    return this.accounts.people()
  }
}
