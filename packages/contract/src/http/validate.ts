import 'reflect-metadata'
import { plainToInstance } from 'class-transformer'
import { validateSync, type ValidationError } from 'class-validator'
import type { ErrorShape } from '@plumb-mark/core'
import { plainFault } from './plain.js'

const LONGEST_PATH = 200

type Class<T> = new () => T
export type Validated<T> = { ok: true; value: T } | ({ ok: false } & ErrorShape)

/** Checks plain data against a DTO class. The first fault is told with its path; fields that the class does not name are refused. */
export function validate<T extends object>(of: Class<T>, plain: unknown, at = ''): Validated<T> {
  const strange = plainFault(plain)
  if (strange) return { ok: false, ...strange }
  if (typeof plain !== 'object' || plain === null || Array.isArray(plain))
    return { ok: false, error: { code: 'invalid', message: 'must be an object', ...(at && { path: at }) } }
  const value = plainToInstance(of, withoutNulls(plain))
  const [fault] = validateSync(value, {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
    stopAtFirstError: true,
  })
  return fault ? { ok: false, ...asError(fault, at) } : { ok: true, value }
}

/** A member that is null is absent, everywhere: what is kept never says so in two ways. */
function withoutNulls(data: unknown): unknown {
  if (Array.isArray(data)) return data.map(withoutNulls)
  if (typeof data !== 'object' || data === null) return data
  const members = Object.entries(data).filter(([, value]) => value !== null)
  return Object.fromEntries(members.map(([key, value]) => [key, withoutNulls(value)]))
}

function asError(fault: ValidationError, at: string): ErrorShape {
  const path = at ? `${at}.${fault.property}` : fault.property
  const [inner] = fault.children ?? []
  if (inner) return asError(inner, path)
  const said = Object.values(fault.constraints ?? {})[0] ?? 'is not valid'
  // The name of a field is the caller's: it is cut off as text, never made into a pattern.
  const own = `${fault.property} `
  return {
    error: {
      code: 'invalid',
      message: said.startsWith(own) ? said.slice(own.length) : said,
      path: path.slice(0, LONGEST_PATH).replace(/\.(\d+)(?=\.|$)/g, '[$1]'),
    },
  }
}
