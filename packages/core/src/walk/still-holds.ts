import type { Ask } from '../answer/ask.js'
import type { AsBuilt } from '../as-built/as-built.js'
import { isThingKind, sameThing, thingCalled, type TakenOn } from '../job/taken-on.js'
import type { Evidence } from '../job/state.js'
import { plain } from '../quantity/say.js'
import { kindOf, type Requirement } from '../requirements/kinds.js'
import type { Sheet } from '../requirements/sheet.js'
import type { Subject } from '../requirements/kind.js'
import type { Around } from './around.js'
import { attempt } from '../shape/attempt.js'
import { broughtBy } from './brings.js'
import type { Check } from './check.js'

/**
 * Why evidence has to be taken again: it belongs to the thing and the question it was taken on. Undefined while both are the same. A sheet
 * that asked then and is not at hand any more leaves open what was asked.
 */
export function whyAgain(check: Check, { on }: Evidence, around: Around): string | undefined {
  if (!on) return undefined
  const exchanged = whyOtherThing(on, check.subject, around.asBuilt, check.unit)
  if (exchanged) return exchanged
  if (on.sheetId === check.unit.sheetId) return undefined
  const old = around.sheet(on.sheetId)
  if (!old) return 'it was asked by a sheet that is not at hand any more'
  if (plain(old.maker) !== plain(check.sheet.maker) || plain(old.model) !== plain(check.sheet.model))
    return `it was taken on another model, ${old.maker} ${old.model}`
  return sameQuestion(check, old, around)
    ? undefined
    : `the sheet asked something else then (revision ${old.revision})`
}

/** Why a thing is another than the one that evidence was taken on. */
export function whyOtherThing(
  on: TakenOn,
  { kind, id }: Pick<Subject, 'kind' | 'id'>,
  asBuilt: AsBuilt,
  unit: { label: string; serial?: string | undefined },
): string | undefined {
  if (on.serial && unit.serial && plain(on.serial) !== plain(unit.serial))
    return `it was taken on another ${unit.label}, serial ${on.serial}`
  const was = isThingKind(kind) ? on.things[kind] : undefined
  if (!isThingKind(kind) || !was) return undefined
  const is = thingCalled(kind, id, asBuilt)
  return is && !sameThing(kind, was, is) ? `the ${kind} was changed since` : undefined
}

/** Did the sheet of then ask at this point what the one in force asks? */
function sameQuestion(check: Check, old: Sheet, around: Around): boolean {
  const { requirement, subject, unit, ask } = check
  const point = requirement.point ?? requirement.id
  const asking = [...old.requirements, ...broughtBy(old)]
  const before =
    asking.find(({ id }) => id === requirement.id) ?? asking.find((one) => (one.point ?? one.id) === point)
  if (!before || before.kind !== requirement.kind) return false
  const terminal = subject.terminal && old.terminals.find(({ id }) => id === subject.terminal!.id)
  if (subject.terminal) {
    const { label, side, clamp } = subject.terminal
    if (
      !terminal ||
      plain(terminal.label) !== plain(label) ||
      terminal.side !== side ||
      terminal.clamp !== clamp
    )
      return false
  }
  const then = { ...subject, ...(terminal && { terminal }) }
  const asked = attempt(() => kindOf(before).ask(before, then, around, unit))
  return asked.ok && meaning(asked.value, before) === meaning(ask, requirement)
}

/** What a question means, whatever its limits: its words, its unit, what it offers. */
function meaning(ask: Ask, { kind, title }: Requirement): string {
  if (ask.kind === 'reading')
    // Of a figure inside limits the title is the question; other kinds say themselves what they measure.
    return JSON.stringify([kind === 'limits' ? words(title) : kind, ask.dimension, ask.unit, ask.signed])
  if (ask.kind === 'observation') return words(ask.question)
  return ask.kind === 'derived' ? ask.from : JSON.stringify(offered(ask))
}

const words = (said: string): string =>
  said
    .toLowerCase()
    .replace(/[\s.,;:?!]+/g, ' ')
    .trim()
const labelled = (all: readonly { id: string; label: string }[]) =>
  all.map(({ id, label }) => [id, words(label)])

function offered(ask: Extract<Ask, { kind: 'record' }>): unknown {
  switch (ask.form) {
    case 'choice':
      return [words(ask.question), labelled(ask.options)]
    case 'fields':
      return ask.fields.map(({ id, label, dimension, unit, options }) => [
        id,
        words(label),
        dimension,
        unit,
        options,
      ])
    case 'series':
      return [ask.dimension, ask.unit]
    case 'order':
      return [labelled(ask.items), ask.passes]
    case 'steps':
      return labelled(ask.steps)
    case 'switches':
      return labelled(ask.switches)
    case 'photos':
      return labelled(ask.wanted)
    case 'statement':
      return words(ask.text)
    case 'chain':
      return labelled(ask.ports)
    case 'bus':
      return 'bus'
  }
}
