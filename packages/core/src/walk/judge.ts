import type { Message } from '../quantity/message.js'
import { readAnswer } from '../answer/forms.js'
import { habitsFor } from '../answer/typing.js'
import { outOfCalibration, uncertaintyOf, vouching } from '../instrument/instrument.js'
import { inForce, type Evidence, type JobState } from '../job/state.js'
import { parseQuantity, type TypingHabits, type TypingProblem } from '../quantity/parse.js'
import type { EvidenceInput, ReadingInput, RecordInput } from '../requirements/evidence-input.js'
import type { Judgement } from '../requirements/kind.js'
import { kindOf } from '../requirements/kinds.js'
import type { WalkContext } from './walk-context.js'
import { attempt } from '../shape/attempt.js'
import type { Check, JudgedCheck, Outcome } from './check.js'
import { evidenceInputOf } from './evidence-input-of.js'
import { unconfirmed } from './proposed.js'
import { whyInvalid } from './evidence-validity.js'
import { answersTo } from './not-applicable.js'
import { judgeInvalidFacts } from './invalid-facts.js'

/** A check with the evidence in force at its point, and what comes of it. */
export function judgeCheck(
  check: Check,
  { evidence, notApplicableAt, lastChanged }: JobState,
  context: WalkContext,
): JudgedCheck {
  const rows = evidence.get(check.point) ?? []
  const history = notApplicableAt.has(check.point) ? answersTo(check, rows) : rows
  const current = inForce(history)
  if (check.ask.kind === 'derived')
    return {
      check,
      history,
      measured: builtAt(check, lastChanged),
      outcome: judge(check, undefined, context),
    }
  const again = current && check.because === undefined ? whyInvalid(check, current, context) : undefined
  if (again !== undefined)
    return { check, history, measured: undefined, outcome: { verdict: 'not-inspected', again } }
  if (current?.kind === 'not-applicable' && check.because === undefined) {
    const failed = failedBefore(check, history, context)
    if (failed) return failed
    const { at, id, by, body } = current
    const said = { by, at }
    return {
      check,
      history,
      measured: { at, id },
      outcome: { verdict: 'not-applicable', because: body.reason, said },
    }
  }
  const outcome = judge(check, evidenceInputOf(check.ask, current, history), context)
  return {
    check,
    history,
    measured: current && { at: current.at, id: current.id },
    outcome:
      current && outcome.verdict === 'conforms'
        ? inDate(outcome, current, context.header?.timeZone)
        : outcome,
  }
}

/**
 * A failure is raised, struck out or read again: that the check does not apply, as somebody said who did not know of it, does not hide it.
 * Undefined where what was answered before does not fail, or does not hold any more.
 */
function failedBefore(
  check: Check,
  history: readonly Evidence[],
  context: WalkContext,
): JudgedCheck | undefined {
  const before = inForce(history.filter(({ kind }) => kind !== 'not-applicable'))
  if (!before || whyInvalid(check, before, context) !== undefined) return undefined
  const outcome = judge(check, evidenceInputOf(check.ask, before, history), context)
  if (outcome.verdict !== 'does-not-conform') return undefined
  return { check, history, measured: { at: before.at, id: before.id }, outcome }
}

/** What was read with an instrument whose calibration was over can condemn, and never clear. */
function inDate(
  outcome: Outcome & { verdict: 'conforms' },
  { body, at }: Evidence,
  zone: string | undefined,
): Outcome {
  const instrument = 'instrument' in body ? body.instrument : undefined
  if (!instrument || !outOfCalibration(instrument, at, zone)) return outcome
  const wanting = `${instrument.name} was out of calibration since ${instrument.calibratedUntil}: read again with one that is in date`
  return Object.assign(outcome, { verdict: 'not-proven' as const, wanting })
}

/** When the facts that a derived check reads were last entered. */
function builtAt({ ask, unit, invalidFact }: Check, touched: JobState['lastChanged']) {
  if (ask.kind !== 'derived' || invalidFact) return undefined
  return ask.from === 'wall' ? touched.walls.get(unit.place?.wallId ?? '') : touched[ask.from]
}

/**
 * The outcome of one check for a piece of evidence that may or may not be kept. Facts that no calculator
 * takes are not proven; nothing is thrown.
 */
export function judge(check: Check, given: EvidenceInput | undefined, context: WalkContext): Outcome {
  if (check.because !== undefined) return { verdict: 'not-applicable', because: check.because }
  if (check.invalidFact) return outcomeOf(check, judgeInvalidFacts(check.invalidFact, check.ask))
  const { requirement, subject, unit, ask } = check
  const judged = attempt(() => kindOf(requirement).judge(requirement, subject, given, context, unit))
  if (!judged.ok) return outcomeOf(check, judgeInvalidFacts(judged.problem, ask))
  const judgement = judged.value
  if (!judgement) return { verdict: 'not-inspected' }
  const proposed = judgement.verdict === 'not-proven' ? undefined : unconfirmed(check, context)
  const doubt =
    judgement.verdict === 'conforms'
      ? (doubtOf(check, given) ?? proposed?.wanting)
      : proposed?.own
        ? proposed.wanting
        : undefined
  return outcomeOf(check, doubt === undefined ? judgement : new Doubted(judgement, doubt))
}

/** What keeps a judgement from conforming that the kind itself does not look at: a photo, a calibration, a string that is not clear. */
function doubtOf({ requirement, subject, ask }: Check, given: EvidenceInput | undefined): string | undefined {
  // What is read off a drawing has no evidence of its own to carry the photo: it is asked for as a check beside it.
  if (requirement.photo && ask.kind !== 'derived' && !given?.photos)
    return 'the sheet asks for a photo with this check'
  // One photo of a walk does not show each of the places.
  if (requirement.photo && given?.kind === 'observation' && given.over)
    return `the sheet asks for a photo of this very place, and it was seen on a walk over ${given.over}`
  return (given?.kind === 'record' ? given.doubt : undefined) ?? subject.string?.doubt
}

/** A judgement that would conform, were it not for a doubt. */
class Doubted implements Judgement {
  readonly verdict = 'not-proven'
  readonly finding: Message

  constructor(
    private readonly judgement: Judgement,
    readonly wanting: string,
  ) {
    this.finding = judgement.finding
  }
  get working() {
    return this.judgement.working
  }
  get notes() {
    return this.judgement.notes
  }
}

/** The judgement with what its verdict needs. Its words stay unmade until somebody reads them. */
function outcomeOf({ requirement, place }: Check, judgement: Judgement): Outcome {
  const { verdict, finding, causes = [], seenAlsoFrom, wanting } = judgement
  const reasons = {
    finding,
    causes,
    get working() {
      return judgement.working
    },
    get notes() {
      return judgement.notes
    },
  }
  if (seenAlsoFrom) Object.assign(reasons, { seenAlsoFrom })
  if (verdict === 'conforms') return Object.assign(reasons, { verdict })
  if (verdict === 'not-proven')
    return Object.assign(reasons, {
      verdict,
      wanting: wanting ?? 'use a finer instrument, or measure again where it counts',
    })
  const { severity, title, remedy } = requirement
  const defect = { severity, title, place, finding: String(finding), remedy }
  return Object.assign(reasons, { verdict, defect })
}

export type TypedJudgement =
  | { ok: true; reading: ReadingInput & { typed: string; unit: string }; outcome: Outcome }
  | { ok: false; problem: TypingProblem }

/** What is typed, judged as it stands: for the keystroke, before anything is kept. */
export function judgeTyped(
  check: Check,
  typed: string,
  using: Pick<ReadingInput, 'instrument' | 'conditions'>,
  context: WalkContext,
  habits: TypingHabits = {},
): TypedJudgement {
  if (check.ask.kind !== 'reading') throw new Error(`check ${check.id} does not ask for a reading`)
  const { dimension } = check.ask
  const parsed = parseQuantity(typed, dimension, { ...habitsFor(check.ask, using.instrument), ...habits })
  if (!parsed.ok) return parsed
  const { value, relation } = parsed.quantity
  const reading: ReadingInput = {
    kind: 'reading',
    value,
    relation,
    uncertainty: uncertaintyOf(using.instrument, dimension, value),
    ...using,
    instrument: vouching(using.instrument, dimension, value),
  }
  return {
    ok: true,
    reading: { ...reading, typed: parsed.quantity.typed, unit: parsed.quantity.unit },
    outcome: judge(check, reading, context),
  }
}

/** An answer of several parts as it stands, before it is kept; a part that does not fit comes back as the problem. */
export function judgeAnswer(
  check: Check,
  answer: unknown,
  using: { instrument: RecordInput['instrument']; photos?: number },
  context: WalkContext,
): { ok: true; outcome: Outcome } | { ok: false; problem: string } {
  const { ask } = check
  if (ask.kind !== 'record') throw new Error(`check ${check.id} does not ask for a record`)
  const read = attempt(() => readAnswer(ask, answer))
  if (!read.ok) return { ok: false, problem: read.problem.message }
  return { ok: true, outcome: judge(check, { kind: 'record', answer: read.value, ...using }, context) }
}
