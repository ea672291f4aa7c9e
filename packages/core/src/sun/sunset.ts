import { BadInput } from '../shape/bad-input.js'

const DEGREE = Math.PI / 180
const MINUTES_PER_DEGREE = 4
const MINUTES_PER_DAY = 1440
const MINUTE_MS = 60_000
/** Where the upper edge of the sun meets the horizon, seen through the air. */
const ZENITH = 90.833

/**
 * When the sun sets on a day of the calendar in UTC, in ms since 1970; undefined where it does not set on that day, or does not rise.
 * `latitude` north and `longitude` east, °. Good to about two minutes between the polar circles, on a flat horizon: a hill, or a
 * house beside, takes the light away before. Bad input: `out-of-range` at a coordinate. Source: the low-precision solar equations of
 * Spencer (1971), as almanacs for daylight use them.
 */
export function sunset(
  day: number,
  { latitude, longitude }: { latitude: number; longitude: number },
): number | undefined {
  requireWithin(latitude, 90, 'latitude')
  requireWithin(longitude, 180, 'longitude')
  const date = new Date(day)
  const midnight = Date.UTC(date.getUTCFullYear(), date.getUTCMonth(), date.getUTCDate())
  const dayOfYear = (midnight - Date.UTC(date.getUTCFullYear(), 0, 1)) / (MINUTES_PER_DAY * MINUTE_MS)
  const { declination, equationOfTime } = sunOn(dayOfYear + 0.5)
  const phi = latitude * DEGREE
  const cosHourAngle =
    Math.cos(ZENITH * DEGREE) / (Math.cos(phi) * Math.cos(declination)) -
    Math.tan(phi) * Math.tan(declination)
  if (!(Math.abs(cosHourAngle) <= 1)) return undefined
  const hourAngle = Math.acos(cosHourAngle) / DEGREE
  const minutes = MINUTES_PER_DAY / 2 - MINUTES_PER_DEGREE * (longitude - hourAngle) - equationOfTime
  return midnight + minutes * MINUTE_MS
}

/** Declination, rad, and what a sundial is ahead of the clock, min. */
function sunOn(dayOfYear: number): { declination: number; equationOfTime: number } {
  const g = (2 * Math.PI * dayOfYear) / 365
  const declination =
    0.006918 -
    0.399912 * Math.cos(g) +
    0.070257 * Math.sin(g) -
    0.006758 * Math.cos(2 * g) +
    0.000907 * Math.sin(2 * g) -
    0.002697 * Math.cos(3 * g) +
    0.00148 * Math.sin(3 * g)
  const equationOfTime =
    229.18 *
    (0.000075 +
      0.001868 * Math.cos(g) -
      0.032077 * Math.sin(g) -
      0.014615 * Math.cos(2 * g) -
      0.040849 * Math.sin(2 * g))
  return { declination, equationOfTime }
}

function requireWithin(value: number, most: number, path: string): void {
  if (!(Math.abs(value) <= most)) throw new BadInput('out-of-range', path, `must be from −${most} to ${most}`)
}
