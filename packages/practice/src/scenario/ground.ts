import type { CheckId, JudgedCheck } from '@plumb-mark/core'
import { isThing, whereOf, type Found, type Where } from '../found/answer.js'
import {
  idOf,
  inspectWith,
  isOpenEnded,
  judgedBase,
  placesIn,
  rightAt,
  wrongIn,
  type Base,
  type Place,
} from './base.js'
import type { Planted } from './planted.js'
import type { Level } from './levels.js'
import { onSuchADay, type Weather } from './weather.js'

/** What does not conform, by its check. */
export type Wrong = ReadonlyMap<CheckId, JudgedCheck>

/** An installation on one day, as it would be found with this or that hidden in it. */
export interface Ground {
  /** What is practised in it, in the order of the walk. */
  places: readonly Place[]
  truthWith(hidden: readonly Planted[]): ReadonlyMap<Where, Found>
  /**
   * What is wrong in all with these hidden; undefined when one hides another (two units moved apart may be right again), or when it leaves
   * something unproven that was proven before: nobody could finish there.
   */
  wrongWith(hidden: readonly Planted[]): Wrong | undefined
}

export function groundOf(base: Base, level: Level, weather: Weather): Ground {
  const { sheets, entries } = judgedBase(base)
  const places = placesIn(base, level)
  const practised = new Set(places.map(idOf))
  const drawn = new Map(places.map((place) => [whereOf(rightAt(place)), rightAt(place)]))
  const truthWith = (hidden: readonly Planted[]) => {
    const really = hidden.map(({ found }) => found).filter(isThing)
    const found = new Map([...drawn, ...hidden.map((one) => [one.where, one.found] as const)])
    return new Map([...found].map(([where, one]) => [where, onSuchADay(one, weather, entries, really)]))
  }
  const wrongWith = (hidden: readonly Planted[]) => {
    const all = inspectWith(entries, [...truthWith(hidden).values()], sheets)
    const wrong = new Map(wrongIn(all).map((judged) => [judged.check.id, judged]))
    const unproven = all.checks.some((judged) => practised.has(judged.check.id) && isOpenEnded(judged))
    return !unproven && hidden.every(({ checkId }) => wrong.has(checkId)) ? wrong : undefined
  }
  return { places, truthWith, wrongWith }
}
