import { entryRow } from '../job/entries/registry.js'
import type { EntryOf } from '../job/entry.js'
import type { EntryWith } from '../job/entry-with.js'
import type { Person } from '../job/person.js'
import { inForce, isLater } from '../job/state.js'
import { DEFECT_STEP_WORDS } from '../job/defect-process.js'
import type { PointId } from '../ids/ids.js'
import type { Inspection } from './inspect.js'

/** Something that somebody entered. */
export interface Deed {
  /** "unit removed", "reading: Mains voltage, Inverter 1". */
  what: string
  by: Person
  at: string
}

/** What one entry left without effect of what others had entered in good faith, oldest first. */
export interface MadeVoid {
  because: Deed
  deeds: readonly Deed[]
}

/**
 * What people who worked apart made void of each other's work, oldest first: readings of what somebody else took away, and steps of a
 * defect that was over by then. All of it stays in the record; nobody should have to search for it.
 */
export function madeVoid(inspection: Inspection): MadeVoid[] {
  const removals = (inspection.state.entered as readonly EntryWith<object>[]).filter(({ kind }) =>
    REMOVES.test(kind),
  )
  const all = [...ofWhatIsGone(inspection, removals), ...ofDefects(inspection)]
  const causes = new Map(all.map(({ cause }) => [cause.id, cause]))
  return [...causes.values()].sort(inTime).map((cause) => {
    const own = all.filter((one) => one.cause.id === cause.id).sort((a, b) => inTime(a.entry, b.entry))
    return { because: deed(cause, causeWords(cause)), deeds: own.map(({ entry, what }) => deed(entry, what)) }
  })
}

interface Voided {
  entry: EntryWith<unknown>
  what: string
  cause: EntryWith<unknown>
}

function ofWhatIsGone(inspection: Inspection, removals: readonly EntryWith<object>[]): Voided[] {
  const { state, at } = inspection
  const readings = [...state.evidence].flatMap(([point, rows]): Voided[] => {
    const entry = at.byPoint.has(point) ? undefined : inForce(rows)
    const cause = entry && removals.findLast((one) => tookAway(one, point))
    return entry && cause
      ? [{ entry, what: `${saysOf(entry)}: ${pointWords(point, inspection)}`, cause }]
      : []
  })
  const waiting = [...state.waiting].flatMap(([key, entries]) => {
    const cause = removals.findLast((one) => namesOf(one).has(key))
    return cause ? entries.map((entry): Voided => ({ entry, what: saysOf(entry), cause })) : []
  })
  return [...readings, ...waiting].filter(({ entry, cause }) => apart(entry, cause))
}

const ofDefects = ({ defects }: Inspection): Voided[] =>
  defects.flatMap(({ title, place, voidSteps }) =>
    voidSteps.map(({ step, by }): Voided => {
      const what = `${DEFECT_STEP_WORDS[step.body.step]}: ${title}, ${place}`
      return { entry: step, what, cause: by }
    }),
  )

/** What was read at a point that nothing asks for any more, as the sheet of its unit called it. */
function pointWords(point: PointId, { state, sheets }: Inspection): string {
  const [unitId, name, subject] = point.split('/')
  const fitted = (state.entered as readonly EntryWith<object>[]).findLast(
    (one): one is EntryOf<'unit-fitted'> =>
      one.kind === 'unit-fitted' && (one.body as { id?: unknown }).id === unitId,
  )
  const requirements = sheets.get(fitted?.body.sheetId ?? '')?.requirements ?? []
  const asked = requirements.find((one) => (one.point ?? one.id) === name)
  return [
    asked?.title ?? name,
    fitted?.body.label ?? unitId,
    ...(subject === WHOLE_UNIT ? [] : [subject]),
  ].join(', ')
}

/** The subject of what is read on a unit as a whole. */
const WHOLE_UNIT = 'unit'

const REMOVES = /-removed$/

const saysOf = ({ kind }: EntryWith<unknown>): string => entryRow(kind)?.label ?? kind

const causeWords = (cause: EntryWith<unknown>): string =>
  cause.kind === 'defect-step'
    ? DEFECT_STEP_WORDS[(cause.body as { step: keyof typeof DEFECT_STEP_WORDS }).step]
    : saysOf(cause)

/** The ids that a removal names. */
const namesOf = ({ body }: EntryWith<object>): ReadonlySet<unknown> => new Set(Object.values(body).flat())

/** A point names its unit first, and what of it is read last: a string, a device, a part. */
function tookAway(removal: EntryWith<object>, point: PointId): boolean {
  const names = namesOf(removal)
  return point.split('/').some((part) => names.has(part))
}

/** Whoever takes away what they read themselves knows it; anybody else should be told. */
const apart = (entry: EntryWith<unknown>, cause: EntryWith<unknown>): boolean =>
  entry.by.id !== cause.by.id || isLater(entry, cause)

const inTime = (a: EntryWith<unknown>, b: EntryWith<unknown>): number => (isLater(a, b) ? 1 : -1)

const deed = ({ by, at }: EntryWith<unknown>, what: string): Deed => ({ what, by, at })
