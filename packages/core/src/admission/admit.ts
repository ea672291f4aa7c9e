import { compute } from '../calculators.js'
import type { Ask } from '../answer/ask.js'
import type { CheckId, PointId } from '../ids/ids.js'
import { refuse, type Admission, type Against } from '../job/entries/entry-kind.js'
import { entryRow } from '../job/entries/registry.js'
import type { NewEntry } from '../job/entry.js'
import { MOST_ENTRIES } from '../job/limits.js'
import type { Role } from '../job/person.js'
import { blockers } from '../sign-off/gate.js'
import { attempt } from '../shape/attempt.js'
import { isOpen } from '../job/defect-process.js'
import { mayNotApply } from '../walk/not-applicable.js'
import type { Inspection } from '../walk/inspect.js'

/** What a caller may know better than this package: a long calculation may have been worked out elsewhere, within a time limit. */
export type Knows = Partial<Pick<Against, 'computes' | 'by'>>

/**
 * May this entry be appended to the job as it stands? A sealed job takes nothing; each role writes its own kinds; what the entry holds must
 * be readable, and what it speaks of there; the row of its kind says the rest.
 */
export function admit(entry: NewEntry, role: Role, inspection: Inspection, knows: Knows = {}): Admission {
  const { state } = inspection
  const row = entryRow(entry.kind)
  if (!row) return refuse('unknown-kind', `“${String(entry.kind)}” is no kind of entry`)
  if (state.entered.length >= MOST_ENTRIES)
    return refuse('job-full', `a job takes ${MOST_ENTRIES} entries: go on in a job of its own`)
  if (state.seal) return refuse('sealed', 'this job is signed and sealed: nothing in it can be changed')
  if (!row.writtenBy.includes(role))
    return refuse('not-your-entry', `a person in the role “${role}” may not write “${entry.kind}”`)
  if (entry.kind !== 'job-opened' && !state.header)
    return refuse('not-open', 'the first entry of a job opens it')
  const body = attempt(() => row.schema.read(entry.body, 'body'))
  if (!body.ok) return refuse('unreadable', body.problem.message)
  return row.admit(body.value, { ...againstWhat(inspection), ...knows }, role)
}

/** The job as judged, as an entry is weighed against it. */
function againstWhat(inspection: Inspection): Against {
  const { state, checks, at, defects } = inspection
  const asked = (point: PointId, kind: Ask['kind']) =>
    at.byPoint
      .get(point)
      ?.map((i) => checks[i]!.check.ask)
      .find((ask) => ask.kind === kind)
  const severityOf = (id: CheckId) => checks.find(({ check }) => check.id === id)?.check.requirement.severity
  return {
    state,
    asked,
    severityOf,
    mayNotApply: (id, point) =>
      mayNotApply(checks.find(({ check }) => check.id === id && check.point === point)),
    hasOpenDefect: (id) => defects.some((defect) => defect.checkId === id && isOpen(defect)),
    defect(id) {
      const found = defects.find((defect) => defect.id === id)
      return found && { ...found, asked: severityOf(found.checkId) }
    },
    by: undefined,
    inTheWay: () => blockers(inspection).map(({ text }) => text),
    computes: (calculator, input) => attempt(() => compute(calculator, input)),
  }
}
