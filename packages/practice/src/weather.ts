import type { Entry } from '@plumb-mark/core'
import { isThing, type Answered, type Found } from './answer.js'
import type { Chance } from './chance.js'
import { figureTimes } from './faults/index.js'
import { stringVoltage } from './site/index.js'

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

/**
 * What would be read at a string on another day: its voltage goes with the temperature of its cells and with the light, and with the modules
 * that it really has.
 */
export function onSuchADay<F extends Found>(
  found: F,
  weather: Weather,
  entries: readonly Entry[],
  really: readonly Found[] = [],
): F {
  if (isThing(found) || found.kind !== 'reading') return found
  const { cellTemperature, irradiance } = found.body.conditions ?? {}
  const string = stringAt(found, entries)
  if (cellTemperature === undefined || irradiance === undefined || !string?.module) return found
  const built = really.find((one) => one.kind === 'string-built' && one.body.id === string.id) ?? {
    body: string,
  }
  const factor =
    stringVoltage(built.body as typeof string, weather) /
    stringVoltage(string, { cellTemperature, irradiance })
  const conditions = { ...found.body.conditions, ...weather }
  return { ...found, body: { ...found.body, ...figureTimes(found.body, factor), conditions } }
}

/** The string whose voltage this is: a point ends with its subject. */
function stringAt({ body }: Extract<Answered, { kind: 'reading' }>, entries: readonly Entry[]) {
  const subject = body.point.split('/').at(-1)
  return entries.find(
    (entry): entry is Extract<Entry, { kind: 'string-built' }> =>
      entry.kind === 'string-built' && entry.body.id === subject,
  )?.body
}
