import type { CheckId, PointId } from '../ids/ids.js'
import type { Message } from '../quantity/message.js'
import type { Person } from '../job/person.js'
import type { Evidence, Moment } from '../job/state.js'
import type { UnitBuilt } from '../as-built/unit.js'
import type { SheetRef } from '../sheet/ref.js'
import type { Ask } from '../answer/ask.js'
import type { Subject } from '../requirements/kind.js'
import type { Requirement } from '../requirements/kinds.js'
import type { Severity } from '../sheet/terms.js'
import type { BadInput } from '../shape/bad-input.js'
import type { Stage } from '../sheet/stages.js'

/** One requirement of one sheet on one thing on site. */
export interface Check {
  /** `unit/requirement/subject`: the same check has the same id for everybody, for ever. */
  id: CheckId
  stage: Stage
  unit: UnitBuilt
  sheet: SheetRef
  requirement: Requirement
  subject: Subject
  /** "Tightening torque · PV1 +" */
  title: string
  /** "Inverter 1, terminal PV1 +" */
  place: string
  /** Where its evidence is kept; several checks may judge one point. */
  point: PointId
  ask: Ask
  /** The limit in words and figures. */
  required: Message
  /** Why the sheet does not ask for it here; undefined when it does. */
  because?: string | undefined
  /** What keeps the check from being put together: it is then not proven, whatever was read. */
  invalidFact?: BadInput | undefined
}

/** The defect that a failed check proposes; the inspector confirms or amends it. */
export interface ProposedDefect {
  severity: Severity
  title: string
  place: string
  finding: string
  remedy: string
}

interface Reasons {
  working: Message[]
  notes: Message[]
  finding: Message
  causes: Message[]
  seenAlsoFrom?: { unitId: string; subjectId: string }
}

export type Outcome =
  | ({ verdict: 'conforms' } & Reasons)
  | ({ verdict: 'does-not-conform'; defect: ProposedDefect } & Reasons)
  | ({ verdict: 'not-proven'; wanting: Message } & Reasons)
  /** `again` says why what was read before has to be read again. */
  | { verdict: 'not-inspected'; again?: string | undefined }
  /** `said` where a person said so on site; otherwise the sheet does not ask for it here. */
  | { verdict: 'not-applicable'; because: string; said?: { by: Person; at: string } | undefined }

export interface JudgedCheck {
  check: Check
  outcome: Outcome
  /** Everything ever read at its point, oldest first. */
  history: readonly Evidence[]
  /** When the evidence in force was taken. */
  measured: Moment | undefined
}
