import type { Check } from '../walk/check.js'
import type { Instrument } from '../instrument/instrument.js'
import type { PointId } from '../ids/ids.js'
import type { NewEntry } from '../job/entry.js'
import type { Role } from '../job/person.js'
import type { TypingHabits } from '../quantity/parse.js'
import type { Inspection } from '../walk/inspect.js'
import { judgeTyped } from '../walk/judge.js'
import { admit } from './admit.js'

/** What of a piece of evidence is put otherwise: where it belongs, what was read, the figures that the instrument has by now. */
export interface Reassignment {
  point?: PointId | undefined
  typed?: string | undefined
  instrument?: Instrument | undefined
}
export type Reassigned = { ok: true; entry: NewEntry } | { ok: false; message: string }

/** The checks of a job, other than its own, that would take this piece of evidence as it stands. None for what is no evidence. */
export function candidates(entry: NewEntry, role: Role, inspection: Inspection): Check[] {
  const own = pointOf(entry)
  if (own === undefined) return []
  return inspection.checks
    .map(({ check }) => check)
    .filter(({ ask, point }) => ask.kind === entry.kind && point !== own)
    .filter(({ point }) => admit(movedTo(entry, point), role, inspection).ok)
}

/**
 * The entry as it was mended, under an id of its own, at the time at which it was made: what was read is not read again, and its photos
 * stay. The job may still refuse it, in words.
 */
export function reassigned(
  entry: NewEntry,
  { point = pointOf(entry), typed, instrument }: Reassignment,
  { id, role, inspection, habits }: { id: string; role: Role; inspection: Inspection; habits?: TypingHabits },
): Reassigned {
  let next: NewEntry = { ...movedTo(entry, point), id }
  if (next.kind === 'reading') {
    const check = inspection.checks.find(
      (one) => one.check.point === point && one.check.ask.kind === 'reading',
    )
    if (!check) return { ok: false, message: 'no check asks for a reading there' }
    const using = { instrument: instrument ?? next.body.instrument, conditions: next.body.conditions ?? {} }
    const read = judgeTyped(check.check, typed ?? next.body.typed, using, inspection.context, habits)
    if (!read.ok) return { ok: false, message: read.problem.message }
    const { value, unit, relation } = read.reading
    const body = { ...next.body, typed: read.reading.typed, value, unit, relation: relation ?? '=' }
    next = { ...next, body: { ...body, ...(using.instrument && { instrument: using.instrument }) } }
  }
  const answer = admit(next, role, inspection)
  return answer.ok ? { ok: true, entry: next } : { ok: false, message: answer.message }
}

const pointOf = ({ body }: NewEntry): PointId | undefined => ('point' in body ? body.point : undefined)

const movedTo = (entry: NewEntry, point: PointId | undefined): NewEntry =>
  'point' in entry.body && point !== undefined
    ? ({ ...entry, body: { ...entry.body, point } } as NewEntry)
    : entry
