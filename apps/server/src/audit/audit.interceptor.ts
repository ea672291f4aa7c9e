import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common'
import { Reflector } from '@nestjs/core'
import { catchError, from, mergeMap, throwError, type Observable } from 'rxjs'
import type { AuditAction } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import type { SignedInRequest } from '../accounts/access.js'
import { Refused } from '../http/refused.js'
import { AuditService, type Happening } from './audit.service.js'
import { AUDITED } from './audited.js'

/** What of a body may be told: never a password, a link or a reading. */
const TOLD = ['email', 'name', 'role', 'disabled', 'licence', 'archived', 'networks']

/** Writes down, after a marked route has answered, that it was done; or, when it was refused, that somebody tried. */
@Injectable()
export class AuditInterceptor implements NestInterceptor {
  constructor(
    private readonly reflector: Reflector,
    private readonly audit: AuditService,
  ) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const action = this.reflector.get<AuditAction | undefined>(AUDITED, context.getHandler())
    if (!action) return next.handle()
    const request = context.switchToHttp().getRequest<SignedInRequest>()
    const write = (happening: Partial<Happening>) =>
      from(this.audit.write({ action, ...about(request), ...happening }))
    return next.handle().pipe(
      mergeMap((answer: unknown) => {
        const signedIn = (answer as { person?: Person } | undefined)?.person
        return write(request.person ? {} : { by: signedIn }).pipe(mergeMap(() => [answer]))
      }),
      catchError((problem: unknown) =>
        problem instanceof Refused
          ? write({ action: 'refused', detail: `${action}: ${problem.code}` }).pipe(
              mergeMap(() => throwError(() => problem)),
            )
          : throwError(() => problem),
      ),
    )
  }
}

/** Who asks for what, from where. */
export function about(request: SignedInRequest): Pick<Happening, 'by' | 'subject' | 'detail' | 'address'> {
  const body = (request.body ?? {}) as Record<string, unknown>
  const told = TOLD.filter((name) => body[name] !== undefined).map((name) => `${name} ${String(body[name])}`)
  return {
    by: request.person,
    subject: Object.values(request.params).flat().join(' '),
    detail: told.join(', '),
    address: request.ip,
  }
}
