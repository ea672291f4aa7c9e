import { BadInput } from '@plumb-mark/core'
import { whereOf } from '../found/answer.js'
import { Chance } from '../chance.js'
import { idOf, rightAt, type Base, type Place } from './base.js'
import { groundOf, type Ground, type Wrong } from './ground.js'
import { faultAt, type HidingPlace, type Planted } from './planted.js'
import type { Level } from './levels.js'
import { weatherBy, type Weather } from './weather.js'

const WEATHER_SALT = 0x3c6ef372

/** Where faults are hidden, on which day, and which one at a place. */
export interface Hide {
  weather: Weather
  ground: Ground
  at: (place: Place) => Planted | undefined
}
export interface Hidden {
  planted: readonly Planted[]
  wrong: Wrong
}

export function hideIn(
  base: Base,
  { seed, level, chance }: { seed: number; level: Level; chance: Chance },
): Hide {
  const weather = weatherBy(new Chance(seed ^ WEATHER_SALT))
  const at = (place: Place) => faultAt(place, { base, level, chance })
  return { weather, ground: groundOf(base, level, weather), at }
}

const NOTHING_HIDDEN: Hidden = { planted: [], wrong: new Map() }

/** One fault more, where there is room for it beside the others. */
function hiddenAlso(
  { planted }: Hidden,
  place: Place,
  { ground, at }: Pick<Hide, 'ground' | 'at'>,
): Hidden | undefined {
  if (planted.some(({ where }) => where === whereOf(rightAt(place)))) return undefined
  const fault = at(place)
  const wrong = fault && ground.wrongWith([...planted, fault])
  return wrong && { planted: [...planted, fault], wrong }
}

/** At these places in turn, until there are as many as are wished. */
export function hiddenByChance(places: readonly Place[], most: number, hide: Hide): Hidden {
  let hidden = NOTHING_HIDDEN
  for (const place of places) {
    if (hidden.planted.length === most) break
    hidden = hiddenAlso(hidden, place, hide) ?? hidden
  }
  return hidden
}

/** Where a trainer wants them. Bad input: a place at which nothing can be hidden. */
export function hiddenAt(places: readonly Place[], hide: Hide): Hidden {
  return places.reduce((hidden, place) => {
    const more = hiddenAlso(hidden, place, hide)
    if (!more) throw new BadInput('out-of-range', 'faults', `nothing can be hidden at “${idOf(place)}”`)
    return more
  }, NOTHING_HIDDEN)
}

/** The checks and things of a level at which a fault can be hidden with this seed, for whoever writes a scenario. */
export function hidingPlaces(base: Base, { seed, level }: { seed: number; level: Level }): HidingPlace[] {
  const { ground } = hideIn(base, { seed, level, chance: new Chance(seed) })
  return ground.places
    .filter((place) => {
      const at = (one: Place) => faultAt(one, { base, level, chance: new Chance(seed) })
      // Only a thing can leave unproven what is read elsewhere.
      return 'drawn' in place ? hiddenAlso(NOTHING_HIDDEN, place, { ground, at }) : at(place)
    })
    .map((place) => {
      const { title, place: at } = 'drawn' in place ? place : place.check
      return { id: idOf(place), title, place: at }
    })
}
