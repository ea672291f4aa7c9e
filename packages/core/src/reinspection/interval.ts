import { SCHOOLS, type JobHeader } from '../job/header.js'
import { anyText, list, object, oneOf, optional, whole, type Read } from '../shape/shape.js'

/** After how many months an installation is inspected again; by rules and country, as far as the office says. */
export const intervalShape = object({
  school: optional(oneOf(SCHOOLS)),
  country: optional(anyText('two letters, ISO 3166-1')),
  months: whole({ min: 1, max: 600 }),
})
export type Interval = Read<typeof intervalShape>
export const intervalsShape = list(intervalShape, { mayBeEmpty: true, max: 100 })

export interface NextInspection {
  /** YYYY-MM-DD */
  on: string
  months: number
}

/**
 * When an installation that was signed on a day (YYYY-MM-DD) is inspected again: by the interval that says most of it, country before
 * rules; of equal ones the shorter. Undefined where the office says none. The last day of a month stays within its month.
 */
export function nextInspection(
  signedOn: string,
  { school, country }: Pick<JobHeader, 'school' | 'country'>,
  intervals: readonly Interval[],
): NextInspection | undefined {
  const says = (one: Interval) => 2 * Number(one.country !== undefined) + Number(one.school !== undefined)
  const fitting = intervals
    .filter((one) => one.school === undefined || one.school === school)
    .filter((one) => one.country === undefined || one.country.toUpperCase() === country?.toUpperCase())
    .sort((a, b) => says(b) - says(a) || a.months - b.months)
  const [first] = fitting
  return first && { on: monthsAfter(signedOn, first.months), months: first.months }
}

function monthsAfter(day: string, months: number): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number]
  const total = year * 12 + (month - 1) + months
  const [y, m] = [Math.floor(total / 12), total % 12]
  const last = new Date(Date.UTC(y, m + 1, 0)).getUTCDate()
  const two = (n: number) => String(n).padStart(2, '0')
  return `${y}-${two(m + 1)}-${two(Math.min(date, last))}`
}
