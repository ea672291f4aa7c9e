import { BadInput } from './bad-input.js'
import { refine, text } from './shape.js'

/** When something was seen or done. */
export const seenTime = refine(text('ISO 8601; without an offset it is UTC'), (value, path) => {
  if (Number.isNaN(instant(value)))
    throw new BadInput('not-a-time', path, 'must be a time written as ISO 8601')
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
  return sameDay(day!) ? result : Number.NaN
}

/** Refuses days that the calendar does not have, such as 31 June. */
function sameDay(day: string): boolean {
  const parsed = Date.parse(`${day}T00:00:00Z`)
  return !Number.isNaN(parsed) && new Date(parsed).toISOString().startsWith(day)
}
