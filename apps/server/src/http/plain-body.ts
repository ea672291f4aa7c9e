import { plainFault } from '@plumb-mark/contract'
import type { NextFunction, Request, Response } from 'express'
import { Refused } from './refused.js'

/** Every JSON body, whatever route it is for, before anybody reads its fields. */
export function plainBody(request: Request, _response: Response, next: NextFunction): void {
  const strange = plainFault(request.body)
  next(strange && new Refused(400, strange.error.code, strange.error.message, strange.error.path))
}
