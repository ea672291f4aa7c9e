import { Injectable, type CanActivate, type ExecutionContext } from '@nestjs/common'
import { Reflector } from '@nestjs/core'
import type { Role } from '@plumb-mark/core'
import { about } from '../audit/audit.interceptor.js'
import { AuditService } from '../audit/audit.service.js'
import { Refused } from '../http/refused.js'
import { MAY_CALL, type SignedInRequest } from '../http/access.js'
import { AccountsService } from './accounts.service.js'
import { SessionCookie } from './session-cookie.js'

/** Denies by default: a route says who may call it, or nobody may. */
@Injectable()
export class AccessGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly accounts: AccountsService,
    private readonly audit: AuditService,
    private readonly cookie: SessionCookie,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const allowed = this.reflector.getAllAndOverride<Role[] | 'anyone' | undefined>(MAY_CALL, [
      context.getHandler(),
      context.getClass(),
    ])
    if (allowed === 'anyone') return true
    const request = context.switchToHttp().getRequest<SignedInRequest>()
    const person = await this.accounts.personOf(this.cookie.tokenOf(request))
    if (!person) throw new Refused(401, 'not-signed-in', 'sign in first')
    request.person = person
    if (!allowed?.includes(person.role)) {
      this.audit.knock({ ...about(request), detail: `${request.method} ${request.path}` })
      throw new Refused(403, 'forbidden', `a person in the role “${person.role}” may not do this`)
    }
    return true
  }
}
