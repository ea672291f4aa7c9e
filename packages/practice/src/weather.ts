import type { Entry } from '@plumb-mark/core'
import { isThing, type Answered, type Found } from './answer.js'
import type { Chance } from './chance.js'
import { figureTimes } from './faults.js'

/** The light and the warmth of the cells at which an installation is inspected. */
export interface Weather {
  /** W/m² */
  irradiance: number
  /** °C */
  cellTemperature: number
}

/** A day on which modules can be measured: bright enough, the cells warmer the brighter it is. */
export function weatherBy(chance: Chance): Weather {
  const irradiance = Math.round(chance.between(350, 950))
  const air = chance.between(2, 28)
  return { irradiance, cellTemperature: Math.round(air + irradiance / 30) }
}

const STC_TEMPERATURE = 25

/** What would be read at a string on another day: its voltage goes with the temperature of its cells, by the coefficient of its modules. */
export function onSuchADay<F extends Found>(found: F, weather: Weather, entries: readonly Entry[]): F {
  if (isThing(found) || found.kind !== 'reading') return found
  const was = found.body.conditions
  const percent = coefficientAt(found, entries)
  if (was?.cellTemperature === undefined || percent === undefined) return found
  const share = (temperature: number) => 1 + (percent / 100) * (temperature - STC_TEMPERATURE)
  const factor = share(weather.cellTemperature) / share(was.cellTemperature)
  const body = { ...found.body, ...figureTimes(found.body, factor), conditions: { ...was, ...weather } }
  return { ...found, body }
}

/** %/K, of the string whose point this is. */
function coefficientAt({ body }: Extract<Answered, { kind: 'reading' }>, entries: readonly Entry[]) {
  const subject = body.point.split('/').at(-1)
  const string = entries.find(
    (entry): entry is Extract<Entry, { kind: 'string-built' }> =>
      entry.kind === 'string-built' && entry.body.id === subject,
  )
  return string?.body.module?.vocTempCoeff
}
