import type { Ask } from '../answer/ask.js'
import type { AsBuilt } from '../as-built/as-built.js'
import {
  isThingKind,
  modulesAlong,
  sameThing,
  thingCalled,
  type EvidenceTarget,
} from '../job/evidence-target.js'
import { readableOf } from '../requirements/readable.js'
import { isLater, type Evidence } from '../job/state.js'
import { normaliseLabel } from '../quantity/phrases.js'
import { kindOf, type Requirement } from '../requirements/kinds.js'
import type { Sheet } from '../requirements/sheet.js'
import type { Subject } from '../requirements/kind.js'
import type { WalkContext } from './walk-context.js'
import { attempt } from '../shape/attempt.js'
import { impliedRequirements } from './implied-requirements.js'
import type { Check } from './check.js'

/**
 * Why evidence has to be taken again: it belongs to the thing and the question it was taken on. Undefined while both are the same. What was
 * taken before its thing was entered, or on another device than the unit's own, was taken on something else. A sheet that asked then and
 * is not at hand any more leaves open what was asked.
 */
export function whyInvalid(check: Check, evidence: Evidence, context: WalkContext): string | undefined {
  const { on } = evidence
  if (!on) return `it was taken before ${check.unit.label} was entered`
  const exchanged =
    hangsOnReplaced(check, evidence, context) ??
    whyOtherThing(on, check.subject, context.asBuilt, check.unit) ??
    exchangedModules(on, check.subject, context) ??
    otherDevice(check, evidence)
  if (exchanged) return exchanged
  if (on.sheetId === check.unit.sheetId) return undefined
  const old = context.sheet(on.sheetId)
  if (!old) return 'it was asked by a sheet that is not at hand any more'
  if (!sameModel(old, check.sheet)) return `it was taken on another model, ${old.maker} ${old.model}`
  return sameQuestion(check, evidence, old, context)
    ? undefined
    : `the sheet asked something else then (revision ${old.revision})`
}

const sameModel = (a: Pick<Sheet, 'maker' | 'model'>, b: Pick<Sheet, 'maker' | 'model'>): boolean =>
  normaliseLabel(a.maker) === normaliseLabel(b.maker) && normaliseLabel(a.model) === normaliseLabel(b.model)

/** Why a thing is another than the one that evidence was taken on. */
export function whyOtherThing(
  on: EvidenceTarget,
  { kind, id }: Pick<Subject, 'kind' | 'id'>,
  asBuilt: AsBuilt,
  unit: { label: string; serial?: string | undefined },
): string | undefined {
  if (on.serial && unit.serial && normaliseLabel(on.serial) !== normaliseLabel(unit.serial))
    return `it was taken on another ${unit.label}, serial ${on.serial}`
  if (!isThingKind(kind)) return undefined
  const was = on.things[kind]
  const is = thingCalled(kind, id, asBuilt)
  if (!was) return is && `it was taken before the ${kind} was entered`
  return is && !sameThing(kind, was, is) ? `the ${kind} was changed since` : undefined
}

/**
 * What was replaced since, where this hangs on it: evidence of the unit itself, and of the strings, bonds, cables and branches that end in it
 * or carry its device. What stands elsewhere stands as it did.
 */
function hangsOnReplaced(
  check: Check,
  evidence: Evidence,
  { replacements, asBuilt }: WalkContext,
): string | undefined {
  const last = replacements.findLast((one) => isLater(one, evidence) && hangsOn(check, one.body, asBuilt))
  if (!last) return undefined
  const { unitId, deviceId, serialIn } = last.body
  const what =
    deviceId !== undefined ? 'a device' : check.unit.id === unitId ? check.unit.label : 'what it hangs on'
  return `${what} was replaced since (now serial ${serialIn})`
}

function hangsOn(
  { unit, subject }: Check,
  { unitId, deviceId }: { unitId: string; deviceId?: string | undefined },
  { array, earth, network }: AsBuilt,
): boolean {
  const endsIn = (
    parts: readonly { id: string; unitId?: string | undefined }[],
    tie: { from: string; to: string },
  ) => parts.some((part) => part.unitId === unitId && (part.id === tie.from || part.id === tie.to))
  if (deviceId !== undefined) {
    const device = array.devices.find(({ id }) => id === deviceId)
    return (
      subject.device?.id === deviceId ||
      (subject.branch?.devices.some((id) => id === deviceId) ?? false) ||
      (subject.string?.path?.some((place) => place === device?.at || device?.feeds.includes(place)) ?? false)
    )
  }
  return (
    unit.id === unitId ||
    subject.string?.unitId === unitId ||
    (subject.bond !== undefined && endsIn(earth.parts, subject.bond)) ||
    (subject.conductor !== undefined && endsIn(network.parts, subject.conductor)) ||
    subject.part?.unitId === unitId
  )
}

/** The modules of a string are the string: other ones in the same places are another. A newer revision of their sheet is no exchange. */
function exchangedModules(
  on: EvidenceTarget,
  { kind, string }: Subject,
  context: WalkContext,
): string | undefined {
  if (kind !== 'string' || !on.modules || !string?.path) return undefined
  const now = modulesAlong(string.path, context.asBuilt)
  const same = on.modules.every((was) => {
    const is = now.find(({ id }) => id === was.id)
    if (!is || (was.serial && is.serial && normaliseLabel(was.serial) !== normaliseLabel(is.serial)))
      return false
    const [before, after] = [context.sheet(was.sheetId), context.sheet(is.sheetId)]
    return (
      was.sheetId === is.sheetId || (before !== undefined && after !== undefined && sameModel(before, after))
    )
  })
  return same && now.length === on.modules.length
    ? undefined
    : 'the modules of the string were exchanged since'
}

/**
 * What a device says of itself is no word about another unit: it is known by where it was connected, and by its serial. One that was connected
 * nowhere in this job, and whose serial is compared with none, may be any.
 */
function otherDevice({ unit, requirement }: Check, { body, on }: Evidence): string | undefined {
  const device = 'word' in body ? body.word?.device : undefined
  if (!device || readableOf(requirement).some(({ of }) => of !== undefined)) return undefined
  const bySerial =
    unit.serial && device.serial ? normaliseLabel(unit.serial) === normaliseLabel(device.serial) : undefined
  const byConnection = on?.deviceOf === undefined ? undefined : on.deviceOf === unit.id
  const name = `${device.maker} ${device.model} ${device.serial}`.trim()
  if (bySerial === false || byConnection === false) return `it was read off another device, ${name}`
  return bySerial === undefined && byConnection === undefined
    ? `it was read off a device that this job does not know, ${name}`
    : undefined
}

/** Did the sheet of then ask at this point what the one in force asks? */
function sameQuestion(check: Check, { body }: Evidence, old: Sheet, context: WalkContext): boolean {
  const { requirement, subject, unit, ask } = check
  const point = requirement.point ?? requirement.id
  const asking = [...old.requirements, ...impliedRequirements(old)]
  const before =
    asking.find(({ id }) => id === requirement.id) ?? asking.find((one) => (one.point ?? one.id) === point)
  if (!before || before.kind !== requirement.kind) return false
  const byDevice = ('word' in body && body.word !== undefined) || ('answer' in body && 'trace' in body.answer)
  if (byDevice && readFrom(before) !== readFrom(requirement)) return false
  const terminal = subject.terminal && old.terminals.find(({ id }) => id === subject.terminal!.id)
  if (subject.terminal) {
    const { label, side, clamp } = subject.terminal
    if (
      !terminal ||
      normaliseLabel(terminal.label) !== normaliseLabel(label) ||
      terminal.side !== side ||
      terminal.clamp !== clamp
    )
      return false
  }
  const then = { ...subject, ...(terminal && { terminal }) }
  const asked = attempt(() => kindOf(before).ask(before, then, context, unit))
  return asked.ok && meaning(asked.value, before) === meaning(ask, requirement)
}

/** What a question means, whatever its limits: its words, its unit, what it offers. */
function meaning(ask: Ask, requirement: Requirement): string {
  const { kind, title } = requirement
  if (ask.kind === 'reading')
    // Of a figure inside limits the title is the question; other kinds say themselves what they measure.
    return JSON.stringify([kind === 'limits' ? words(title) : kind, ask.dimension, ask.unit, ask.signed])
  if (ask.kind === 'observation') return words(ask.question)
  if (requirement.kind === 'trace-test')
    return JSON.stringify([
      requirement.do.map(words),
      words(requirement.event),
      requirement.watch.dimension,
      words(requirement.watch.label),
    ])
  return ask.kind === 'derived' ? ask.from : JSON.stringify(offered(ask))
}

/** Where a device is asked: of a register or scale that was corrected, what was read before was another figure. */
const readFrom = (requirement: Requirement): string => JSON.stringify(readableOf(requirement))

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
