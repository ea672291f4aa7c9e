import type { CheckId, JudgedCheck } from '@plumb-mark/core'
import { isThing, whereOf, type Answered, type Found, type Where } from '../found/answer.js'
import { findingOf, foundIn, idOf, wrongAlone, type Base, type Place } from './base.js'
import type { Chance } from '../chance.js'
import { ANSWER_FAULTS, THING_FAULTS } from '../faults/index.js'
import { LEVELS, type Level } from './levels.js'
import type { Thing, ThingFound, ThingKey } from '../found/things.js'

/** A fault that was hidden: where it is to be seen, and what whoever looks finds there. */
export interface Planted {
  checkId: CheckId
  where: Where
  /** What is wrong, as the list of faults has it. */
  what: string
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

/** The first that may be found at a place and is judged not to conform: at its own check, or at one of the level that follows from a thing. */
export function faultAt(
  place: Place,
  { base, level, chance }: { base: Base; level: Level; chance: Chance },
): Planted | undefined {
  const stages: readonly string[] = LEVELS[level]
  for (const { what, found } of chance.shuffled('drawn' in place ? ofThing(place) : ofCheck(place))) {
    const wrong = wrongAlone(base, found).find(({ check }) =>
      isThing(found) ? stages.includes(check.stage) : check.id === idOf(place),
    )
    if (!wrong) continue
    const { id: checkId, title, place: at, requirement } = wrong.check
    const { clause, remedy } = requirement
    const where = whereOf(found)
    return { checkId, where, what, title, place: at, clause, remedy, found, finding: findingOf(wrong) }
  }
  return undefined
}

interface Candidate {
  what: string
  found: Found
}

/** How the right answer may be wrong, as it would be found there. What was only written down amiss is not there to be found. */
function ofCheck(judged: JudgedCheck): Candidate[] {
  const { kind, body } = foundIn(judged)
  return ANSWER_FAULTS.flatMap((fault) => {
    if (fault.slip || fault.kind !== judged.check.requirement.kind) return []
    const spoilt = fault.spoilt(body, judged.check)
    return spoilt ? [{ what: fault.name, found: { kind, body: spoilt } as Answered }] : []
  })
}

/** How a thing may stand instead of how it is drawn. */
function ofThing({ drawn: { kind, body } }: Thing): Candidate[] {
  return THING_FAULTS.flatMap((fault) => {
    if (fault.slip || fault.kind !== kind || !fault.of.test(body.id)) return []
    const changed = fault.changed(body)
    return changed ? [{ what: fault.name, found: { kind, body: changed } as ThingFound }] : []
  })
}
