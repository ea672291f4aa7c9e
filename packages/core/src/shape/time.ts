import { BadInput } from './bad-input.js'
import { refine, text } from './shape.js'

const RFC_3339 =
  /^(\d{4}-\d{2}-\d{2})T((?:[01]\d|2[0-3]):[0-5]\d:[0-5]\d(?:\.\d+)?)(Z|[+-](?:[01]\d|2[0-3]):[0-5]\d)$/i

/**
 * An instant as the wire, the record and its verification take it: RFC 3339 with its offset, and nothing
 * else, so that what was accepted can be read for ever. Milliseconds; NaN for anything else.
 */
export function rfc3339(value: string): number {
  const match = RFC_3339.exec(value)
  return match && isDay(match[1]!) ? Date.parse(value.toUpperCase()) : Number.NaN
}

export const instantField = refine(text('RFC 3339, with its offset'), (value, path) => {
  if (Number.isNaN(rfc3339(value)))
    throw new BadInput(
      'not-a-time',
      path,
      'must be a time with its offset, as in 2026-06-01T08:00:00Z (RFC 3339)',
    )
})

/** When something was seen or done, as a calculator takes it. */
export const seenTime = refine(text('ISO 8601; without an offset it is UTC'), (value, path) => {
  if (Number.isNaN(instant(value)))
    throw new BadInput('not-a-time', path, 'must be a time written as ISO 8601')
})

/** A day of the calendar, as 2026-06-01. */
export const dayField = refine(text('a day, as 2026-06-01'), (value, path) => {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(value) || !isDay(value))
    throw new BadInput('not-a-time', path, 'must be a day of the calendar, written as YYYY-MM-DD')
})

const ISO =
  /^(\d{4}-\d{2}-\d{2})(?:[T ](\d{2}:\d{2}(?::\d{2}(?:[.,]\d+)?)?)\s*(Z|[+-]\d{2}:?\d{2}|[+-]\d{2})?)?$/i

/** Milliseconds; a time without an offset is UTC. NaN for anything else. */
export function instant(value: string): number {
  const match = ISO.exec(value.trim())
  if (!match) return Number.NaN
  const [, day, clock = '00:00', offset = 'Z'] = match
  const zone = /^[+-]\d{2}$/.test(offset)
    ? `${offset}:00`
    : /^[+-]\d{4}$/.test(offset)
      ? `${offset.slice(0, 3)}:${offset.slice(3)}`
      : offset.toUpperCase()
  const result = Date.parse(`${day}T${clock.replace(',', '.')}${zone}`)
  return isDay(day!) ? result : Number.NaN
}

/** Refuses days that the calendar does not have, such as 31 June. */
function isDay(day: string): boolean {
  // Every month has as many: most days need no calendar.
  const [month, date] = [Number(day.slice(5, 7)), Number(day.slice(8, 10))]
  if (month >= 1 && month <= 12 && date >= 1 && date <= 28) return true
  const parsed = Date.parse(`${day}T00:00:00Z`)
  return !Number.isNaN(parsed) && new Date(parsed).toISOString().startsWith(day)
}
