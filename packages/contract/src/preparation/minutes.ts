import { KINDS, type MinutesByKind } from '@plumb-mark/core'
import type { ErrorShape } from '@plumb-mark/core'

const MOST = 480

/** Minutes for one check of a kind: keys are kinds, values whole or half minutes up to eight hours. */
export function validateMinutes(
  plain: unknown,
): { ok: true; value: MinutesByKind } | ({ ok: false } & ErrorShape) {
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain))
    return { ok: false, error: { code: 'invalid', message: 'must be an object' } }
  for (const [kind, minutes] of Object.entries(plain)) {
    if (!Object.hasOwn(KINDS, kind))
      return { ok: false, error: { code: 'invalid', message: 'is no kind of requirement', path: kind } }
    if (typeof minutes !== 'number' || !(minutes >= 0 && minutes <= MOST))
      return {
        ok: false,
        error: { code: 'invalid', message: `must be minutes from 0 to ${MOST}`, path: kind },
      }
  }
  return { ok: true, value: plain as MinutesByKind }
}
