import { Injectable, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common'
import { Reflector } from '@nestjs/core'
import { catchError, from, mergeMap, throwError, type Observable } from 'rxjs'
import type { AuditAction } from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import type { SignedInRequest } from '../http/access.js'
import { Refused } from '../http/refused.js'
import { AuditService, type Happening } from './audit.service.js'
import { AUDITED } from './audited.js'

/** What of a body may be told: never a password, a link or a reading. */
const TOLD = [
  'email',
  'name',
  'role',
  'disabled',
  'licence',
  'archived',
  'networks',
  'people',
  'instruments',
  'at',
  'calibratedUntil',
  'jobId',
  'start',
  'replace',
  'accepted',
]

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
        const { id } = (answer ?? {}) as { id?: unknown }
        // What was made has its name only now.
        const made = about(request).subject === '' && typeof id === 'string' ? { subject: id } : {}
        return write({ ...made, ...(!request.person && { by: signedIn }) }).pipe(mergeMap(() => [answer]))
      }),
      catchError((problem: unknown) => {
        if (!(problem instanceof Refused)) return throwError(() => problem)
        const told = about(request)
        if (problem.status === TOO_MANY) {
          this.audit.knock({ ...told, detail: `${action}: ${problem.code}` })
          return throwError(() => problem)
        }
        const refused = { action: 'refused', detail: refusedWords(action, problem, told) } as const
        return write(refused).pipe(mergeMap(() => throwError(() => problem)))
      }),
    )
  }
}

/** What was tried, why it was refused, and by the name that was typed: a wrong password names its account. */
const refusedWords = (action: AuditAction, { code }: Refused, { detail }: { detail?: string | undefined }) =>
  [`${action}: ${code}`, detail].filter(Boolean).join(', ')

/** What somebody sent, before anybody has looked at it: only what is plainly text, a yes or a list of texts is told. */
function wordsOf(value: unknown): string | undefined {
  if (typeof value === 'string') return value.toWellFormed()
  if (typeof value === 'boolean' || typeof value === 'number') return String(value)
  if (!Array.isArray(value)) return undefined
  const names = value.slice(0, MOST_TOLD).map((one) => (isNamed(one) ? one.name : one))
  return names.every((one) => typeof one === 'string') ? names.join(' ').toWellFormed() : undefined
}
const TOO_MANY = 429
const MOST_TOLD = 20
const isNamed = (one: unknown): one is { name: unknown } =>
  typeof one === 'object' && one !== null && 'name' in one

/** Who asks for what, from where. */
export function about(request: SignedInRequest): Pick<Happening, 'by' | 'subject' | 'detail' | 'address'> {
  const body = (request.body ?? {}) as Record<string, unknown>
  const told = TOLD.flatMap((name) => {
    const words = wordsOf(body[name])
    return words === undefined ? [] : [`${name} ${words}`]
  })
  return {
    by: request.person,
    subject: Object.values(request.params).flat().join(' '),
    detail: told.join(', '),
    address: request.ip,
  }
}
