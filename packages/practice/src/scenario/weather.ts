import type { Entry } from '@plumb-mark/core'
import { isThing, type Answered, type Found } from '../found/answer.js'
import type { Chance } from '../chance.js'
import { figureTimes } from '../faults/index.js'
import { stringVoltage } from '../site/index.js'

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

const CLOUD_MINUTES = 7
/** What a cloud takes of the light, and what the cells cool meanwhile, °C. */
const CLOUD = { share: 0.3, cooling: 6 }
const DIMMEST = 300

/** The weather some minutes later: clouds come and go, and the cells follow. What is noted beside a reading is what was when it was read. */
export function weatherAfter({ irradiance, cellTemperature }: Weather, minutes: number): Weather {
  const cloud = (1 - Math.cos((2 * Math.PI * minutes) / CLOUD_MINUTES)) / 2
  return {
    irradiance: Math.max(Math.min(irradiance, DIMMEST), Math.round(irradiance * (1 - CLOUD.share * cloud))),
    cellTemperature: Math.round(cellTemperature - CLOUD.cooling * cloud),
  }
}

/**
 * What would be read at a string on another day: its voltage goes with the temperature of its cells and with the light, and with the modules
 * that it really has; its short-circuit current with the light.
 */
export function onSuchADay(
  found: Found,
  weather: Weather,
  entries: readonly Entry[],
  really: readonly Found[] = [],
): Found {
  if (isThing(found) || found.kind !== 'reading') return found
  const was = found.body.conditions ?? {}
  const string = stringAt(found, entries)
  if (was.irradiance === undefined || !string?.module) return found
  const { cellTemperature, irradiance } = was
  if (cellTemperature === undefined)
    return read(found, weather.irradiance / irradiance, { ...was, irradiance: weather.irradiance })
  const built = really.find((one) => one.kind === 'string-built' && one.body.id === string.id)
  const now = stringVoltage((built?.body ?? string) as typeof string, weather)
  return read(found, now / stringVoltage(string, { cellTemperature, irradiance }), { ...was, ...weather })
}

type Reading = Extract<Answered, { kind: 'reading' }>
const read = (found: Reading, factor: number, conditions: Reading['body']['conditions']): Found => ({
  ...found,
  body: { ...found.body, ...figureTimes(found.body, factor), conditions },
})

/** The string whose voltage this is: a point ends with its subject. */
function stringAt({ body }: Reading, entries: readonly Entry[]) {
  const subject = body.point.split('/').at(-1)
  return entries.find(
    (entry): entry is Extract<Entry, { kind: 'string-built' }> =>
      entry.kind === 'string-built' && entry.body.id === subject,
  )?.body
}
