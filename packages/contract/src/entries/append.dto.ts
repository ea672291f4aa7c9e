import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, IsInt, IsOptional, IsUUID, Min } from 'class-validator'
import type { ErrorShape, NewEntry } from '@plumb-mark/core'
import { validate, type Validated } from '../http/validate.js'
import { IsInstant, IsPlain } from '../http/fields.js'
import { BODY_CLASSES } from './bodies.js'

export class AppendDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(500)
  entries!: unknown[]
  /** What the clock of the device says while it sends. */
  @IsOptional() @IsInstant() clock?: string
  /** The last place in the job that had reached the device when these were entered: others may have gone on since. */
  @IsOptional() @IsInt() @Min(0) after?: number
}

/** What was sent beside the entries. */
export type SentBeside = Pick<AppendDto, 'clock' | 'after'>

export class NewEntryDto {
  /** UUID v7, made by the client. */
  @IsUUID('7', { message: 'must be a UUID version 7' }) id!: string
  @IsIn(Object.keys(BODY_CLASSES)) kind!: keyof typeof BODY_CLASSES
  @IsInstant() at!: string
  @IsPlain() body!: object
}

/** Checks entries from outside, each with the body class of its kind. Plain data comes back, so that it hashes as it was sent. */
export function validateEntries(
  plain: unknown,
): { ok: true; value: NewEntry[]; beside: SentBeside } | ({ ok: false } & ErrorShape) {
  const envelope = validate(AppendDto, plain)
  if (!envelope.ok) return envelope
  const value: NewEntry[] = []
  for (const [i, entry] of envelope.value.entries.entries()) {
    const checked = validateEntry(entry, `entries[${i}]`)
    if (!checked.ok) return checked
    if (value.some(({ id }) => id === checked.value.id))
      return {
        ok: false,
        error: {
          code: 'duplicate-id',
          message: 'an entry of this batch has the same id',
          path: `entries[${i}].id`,
        },
      }
    value.push(checked.value)
  }
  const { clock, after } = envelope.value
  return {
    ok: true,
    value,
    beside: { ...(clock !== undefined && { clock }), ...(after !== undefined && { after }) },
  }
}

export function validateEntry(plain: unknown, at = ''): Validated<NewEntry> {
  const head = validate(NewEntryDto, plain, at)
  if (!head.ok) return head
  const { id, kind, at: when, body } = head.value
  const checked = validate<object>(BODY_CLASSES[kind], body, at ? `${at}.body` : 'body')
  return checked.ok
    ? { ok: true, value: JSON.parse(JSON.stringify({ id, kind, at: when, body: checked.value })) as NewEntry }
    : checked
}
