import { inForce, isLater, type Evidence, type RaisedDefect } from '../job/state.js'
import type { CheckId } from '../ids/ids.js'
import type { EntryOf } from '../job/entry.js'
import { isMilder, type Severity } from '../sheet/terms.js'
import type { JudgedCheck } from './check.js'
import { isOpen, type DefectState, type Proof } from '../job/defect-process.js'
import { followed, type VoidStep } from '../job/followed-steps.js'

/** A defect as it stands, folded from its steps and from what its check reads now. */
export interface Defect {
  id: string
  checkId: string
  severity: Severity
  title: string
  place: string
  finding: string
  remedy: string
  state: DefectState
  raised: EntryOf<'defect-raised'>
  /** The day by which it is to be put right, and by whom, where somebody said so. */
  due: string | undefined
  responsible: string | undefined
  /** What was said otherwise of it since, oldest first. */
  amended: readonly EntryOf<'defect-amended'>[]
  /** The reading that closed it. */
  closedBy: Evidence | undefined
  /** As they were taken, oldest first, the void ones too. */
  steps: readonly EntryOf<'defect-step'>[]
  /** Steps of somebody who worked apart, which others had made impossible. */
  voidSteps: readonly VoidStep[]
  /** Set when the check was read again after the rework and failed again. */
  failedAgain: boolean
  proof: Proof
}

/**
 * The state of a defect follows its steps, with one thing that no step can say: after rework, a new conforming reading closes it by
 * itself, and a new failing one opens it again. The old readings stay where they are.
 */
export function defectOf(
  { raised, steps, amended }: RaisedDefect,
  judged: JudgedCheck | undefined,
  changedSinceRework: () => boolean = () => false,
): Defect {
  const words = amendedWords(raised, amended)
  const { state: stepped, steps: counted, void: voidSteps } = followed(steps)
  const lastRework = counted.findLast(({ body: { step } }) => step === 'reworked')
  // What is read off a drawing is read again when the very facts behind it were changed, not when anything was drawn.
  const readAgain =
    lastRework !== undefined &&
    (judged?.check.ask.kind === 'derived'
      ? changedSinceRework()
      : judged?.measured !== undefined && isLater(judged.measured, lastRework))
  const verdict = judged?.outcome.verdict
  const proof: Proof = {
    conformsSinceRework: readAgain && verdict === 'conforms',
    stillFails: verdict === 'does-not-conform',
  }
  const failedAgain = stepped === 'reworked' && readAgain && verdict === 'does-not-conform'
  const state = settle(stepped, proof, failedAgain)
  return {
    ...words,
    id: raised.body.defectId,
    checkId: raised.body.checkId,
    severity: severityOf(raised, amended, judged),
    state,
    raised,
    amended,
    closedBy: state === 'closed' && judged ? inForce(judged.history) : undefined,
    steps,
    voidSteps,
    failedAgain,
    proof,
  }
}

/**
 * A failure counts as what the sheet calls it, unless somebody said why it is less; `stop` is called less by the reviewer alone. Records of
 * an older program may hold what would not be admitted today.
 */
function severityOf(
  raised: RaisedDefect['raised'],
  amended: RaisedDefect['amended'],
  judged: JudgedCheck | undefined,
): Severity {
  const last = amended.findLast(({ body }) => body.severity !== undefined)
  const { severity, reason, by } = last
    ? { severity: last.body.severity!, reason: last.body.reason, by: last.by }
    : { severity: raised.body.severity, reason: raised.body.note, by: raised.by }
  const asked = judged?.check.requirement.severity
  if (asked === undefined || !isMilder(severity, asked)) return severity
  const lowered = (reason ?? '').trim() !== '' && (asked !== 'stop' || by.role === 'reviewer')
  return lowered ? severity : asked
}

type Words = Pick<Defect, 'title' | 'place' | 'finding' | 'remedy' | 'due' | 'responsible'>

/** What is said of a defect now: each word as it was said last. */
function amendedWords({ body }: RaisedDefect['raised'], amended: RaisedDefect['amended']): Words {
  const { title, place, finding, remedy } = body
  const words: Words = { title, place, finding, remedy, due: undefined, responsible: undefined }
  for (const one of amended)
    for (const name of Object.keys(words) as (keyof Words)[]) words[name] = one.body[name] ?? words[name]!
  return words
}

function settle(stepped: DefectState, proof: Proof, failedAgain: boolean): DefectState {
  if (stepped !== 'reworked') return stepped === 'closed' && proof.stillFails ? 'open' : stepped
  if (failedAgain) return 'open'
  return proof.conformsSinceRework ? 'closed' : 'reworked'
}

/** Open `stop` defects put their caution above everything else. */
export function dangers(defects: readonly Defect[]): Defect[] {
  return defects.filter((defect) => defect.severity === 'stop' && isOpen(defect))
}

/**
 * The open defect that covers a failing check: its own, or one raised for the same gap from the other side that weighs no less. What one
 * sheet calls minor never covers what another calls a stop, though both speak of one gap.
 */
export function openDefectFor(
  { check, outcome }: JudgedCheck,
  defects: readonly Defect[],
  checks: readonly JudgedCheck[],
): Defect | undefined {
  const own = defects.find((defect) => defect.checkId === check.id && isOpen(defect))
  if (own || !('seenAlsoFrom' in outcome) || !outcome.seenAlsoFrom) return own
  const { unitId, subjectId } = outcome.seenAlsoFrom
  const sameGap = new Set(
    checks
      .filter((one) => one.check.unit.id === unitId && one.check.subject.id === subjectId)
      .filter((one) => one.check.requirement.kind === check.requirement.kind)
      .map((one) => one.check.id),
  )
  const { severity } = check.requirement
  return defects.find(
    (defect) =>
      sameGap.has(defect.checkId as CheckId) && isOpen(defect) && !isMilder(defect.severity, severity),
  )
}
