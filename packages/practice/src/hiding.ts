import type { CheckId } from '@plumb-mark/core'
import { isThing, whereOf, type Found, type Where } from './answer.js'
import { findingOf, foundIn, idOf, placesIn, wrongAlone, type Base, type Place } from './base.js'
import { Chance } from './chance.js'
import { wrongAnswers } from './faults.js'
import { LEVELS, type Level } from './levels.js'
import { thingsOtherwise, type ThingKey } from './things.js'

/** A fault that was hidden: where it is to be seen, and what whoever looks finds there. */
export interface Planted {
  checkId: CheckId
  where: Where
  title: string
  place: string
  clause: string
  remedy: string
  found: Found
  /** What the judgement says of it. */
  finding: string
}

/** Where something can be hidden: a check that is answered, or a thing. */
export interface HidingPlace {
  id: CheckId | ThingKey
  title: string
  place: string
}

/** The checks and things of a level at which a fault can be hidden with this seed, for whoever writes a scenario. */
export function hidingPlaces(base: Base, { seed, level }: { seed: number; level: Level }): HidingPlace[] {
  return placesIn(base, level)
    .filter((place) => faultAt(place, { base, level, chance: new Chance(seed) }))
    .map((place) => {
      const { title, place: at } = 'drawn' in place ? place : place.check
      return { id: idOf(place), title, place: at }
    })
}

/** The first that may be found at a place and is judged not to conform: at its own check, or at one of the level that follows from a thing. */
export function faultAt(
  place: Place,
  { base, level, chance }: { base: Base; level: Level; chance: Chance },
): Planted | undefined {
  const stages: readonly string[] = LEVELS[level]
  const candidates =
    'drawn' in place
      ? chance.shuffled(thingsOtherwise(place.drawn))
      : wrongAnswers(place, foundIn(place), chance)
  for (const found of candidates) {
    const wrong = wrongAlone(base, found).find(({ check }) =>
      isThing(found) ? stages.includes(check.stage) : check.id === idOf(place),
    )
    if (!wrong) continue
    const { id: checkId, title, place: at, requirement } = wrong.check
    const { clause, remedy } = requirement
    const where = whereOf(found)
    return { checkId, where, title, place: at, clause, remedy, found, finding: findingOf(wrong) }
  }
  return undefined
}
