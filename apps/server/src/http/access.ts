import { SetMetadata, createParamDecorator, type ExecutionContext } from '@nestjs/common'
import type { Request } from 'express'
import type { Person, Role } from '@plumb-mark/core'

export const MAY_CALL = 'may-call'

/** Who may call a route. A route without this is closed to everybody. */
export const MayCall = (...roles: Role[]) => SetMetadata(MAY_CALL, roles)

/** For the few routes that need no session, such as signing in. */
export const Anyone = () => SetMetadata(MAY_CALL, 'anyone')

export type SignedInRequest = Request & { person?: Person }

/** The person behind the session. */
export const By = createParamDecorator((_: unknown, context: ExecutionContext): Person => {
  const { person } = context.switchToHttp().getRequest<SignedInRequest>()
  if (!person) throw new Error('a route that names its caller must be closed to strangers')
  return person
})
