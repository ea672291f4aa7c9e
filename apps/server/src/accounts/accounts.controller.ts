import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseUUIDPipe,
  Post,
  Req,
  Res,
} from '@nestjs/common'
import type { Response } from 'express'
import { SignInDto, type OwnSession, type SignedIn } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { AuditService } from '../audit/audit.service.js'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import type { Named } from '../http/request-id.js'
import { SETTINGS, type Settings } from '../settings.js'
import { Anyone, By, MayCall, type SignedInRequest } from '../http/access.js'
import { AccountsService } from './accounts.service.js'
import { KnownDevice } from './known-device.js'
import { deviceOf } from './device-of.js'
import { SessionCookie } from './session-cookie.js'

@Controller('api')
export class AccountsController {
  constructor(
    private readonly accounts: AccountsService,
    private readonly audit: AuditService,
    private readonly cookie: SessionCookie,
    private readonly known: KnownDevice,
    @Inject(SETTINGS) private readonly settings: Settings,
  ) {}

  @Anyone()
  @Audited('signed in')
  @HttpCode(200)
  @Post('session')
  async signIn(
    @Body(new DtoPipe(SignInDto)) { email, password }: SignInDto,
    @Req() request: Named,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SignedIn> {
    const account = email.trim().toLowerCase()
    const from = { address: request.ip ?? '', device: await this.known.of(request, account) }
    const device = deviceOf(request.headers['user-agent'])
    const { person, token } = await this.accounts.signIn(account, password, { device, from })
    this.settings.log.info(
      { requestId: request.requestId, person: person.id, role: person.role },
      'signed in',
    )
    this.cookie.set(response, token)
    await this.known.remember(request, response, account)
    return { person }
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get('session')
  async session(@By() person: Person): Promise<SignedIn> {
    return { person, ...(await this.accounts.licenceOf(person)) }
  }

  /** Where this person is signed in, and on what. */
  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Get('session/all')
  sessions(@By() person: Person, @Req() request: SignedInRequest): Promise<OwnSession[]> {
    return this.accounts.sessionsOf(person, this.cookie.tokenOf(request))
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @Audited('sessions ended')
  @HttpCode(204)
  @Delete('session/:id')
  endSession(@By() person: Person, @Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.accounts.endSession(person, id)
  }

  @Anyone()
  @HttpCode(204)
  @Post('session/end')
  async signOut(
    @Req() request: SignedInRequest,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    const token = this.cookie.tokenOf(request)
    const by = await this.accounts.personOf(token)
    await this.accounts.signOut(token)
    if (by) await this.audit.write({ action: 'signed out', by, address: request.ip })
    this.cookie.clear(response)
  }

  /** Everybody who may be sent on a visit, or asked to read a record. */
  @MayCall('inspector', 'reviewer', 'office')
  @Get('people')
  everybody(): Promise<Person[]> {
    return this.accounts.people()
  }
}
