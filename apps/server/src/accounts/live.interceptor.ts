import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common'
import { SSE_METADATA } from '@nestjs/common/constants.js'
import { Reflector } from '@nestjs/core'
import type { Observable } from 'rxjs'
import { whileStill } from '../http/while-still.js'
import type { SignedInRequest } from '../http/access.js'
import { AccountsService } from './accounts.service.js'
import { SessionCookie } from './session-cookie.js'

/** Every stream ends with the session that opened it: signed out, ended, run out, disabled, in another role. */
@Injectable()
export class LiveInterceptor implements NestInterceptor {
  constructor(
    private readonly reflector: Reflector,
    private readonly accounts: AccountsService,
    private readonly cookie: SessionCookie,
  ) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    if (!this.reflector.get(SSE_METADATA, context.getHandler())) return next.handle()
    const request = context.switchToHttp().getRequest<SignedInRequest>()
    const token = this.cookie.tokenOf(request)
    const { person } = request
    return next.handle().pipe(
      whileStill(async () => {
        const now = await this.accounts.personOf(token)
        return now !== undefined && now.id === person?.id && now.role === person.role
      }),
    )
  }
}
