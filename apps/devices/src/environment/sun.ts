/** Light and warmth at one moment: irradiance in the plane of the modules, W/m², and temperature of their cells, °C. */
export interface Light {
  irradiance: number
  cellTemperature: number
}

const DAY = 86_400
const SUNRISE = 6 * 3600
const SUNSET = 20 * 3600
const BRIGHTEST = 900
const AIR = 14
/** What full sun adds to the temperature of the cells, K. */
const WARMING = 30

/** A clear day: half a sine from sunrise to sunset; `shade` takes its share of it away (0 none, 1 all). */
export function sunAt(secondOfDay: number, shade = 0): Light {
  const hour = ((secondOfDay % DAY) + DAY) % DAY
  const height = Math.sin((Math.PI * (hour - SUNRISE)) / (SUNSET - SUNRISE))
  const irradiance = hour < SUNRISE || hour > SUNSET ? 0 : BRIGHTEST * height * (1 - shade)
  return { irradiance, cellTemperature: AIR + (WARMING * irradiance) / 1000 }
}

/** The light on a site whose clock stands at `now`, s, and began at that second of the day. */
export const lightOf = ({ beganAt, now, shade }: { beganAt: number; now: number; shade: number }): Light =>
  sunAt(beganAt + now, shade)
