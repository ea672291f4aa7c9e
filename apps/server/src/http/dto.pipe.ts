import type { PipeTransform } from '@nestjs/common'
import { validate } from '@plumb-mark/contract'
import { Refused } from './refused.js'

/** Lets a body through only when it fits its DTO class. */
export class DtoPipe<T extends object> implements PipeTransform<unknown, T> {
  constructor(private readonly of: new () => T) {}

  transform(body: unknown): T {
    const checked = validate(this.of, body)
    if (!checked.ok) throw new Refused(400, checked.error.code, checked.error.message, checked.error.path)
    return checked.value
  }
}
