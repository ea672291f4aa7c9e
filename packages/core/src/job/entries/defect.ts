import { arrived, waitFor } from '../state.js'
import { nextState, type StepRefusal } from '../defect-process.js'
import { defectAmendedShape, defectRaisedShape, defectStepShape } from '../kept-whole.js'
import { isSentence } from '../../shape/sentence.js'
import { isMilder, type Severity } from '../../sheet/terms.js'
import type { Role } from '../person.js'
import { ADMITTED, entryKind, refuse, type Admission } from './entry-kind.js'

export const defectRaised = entryKind({
  schema: defectRaisedShape,
  label: 'defect raised',
  writtenBy: ['inspector', 'reviewer'],
  validatesAgainst: 'outcomes',
  admit({ checkId, severity, note = '' }, against, role) {
    const asked = against.severityOf(checkId)
    if (asked === undefined) return refuse('unknown-check', `no check is called “${checkId}”`)
    if (against.hasOpenDefect(checkId))
      return refuse('already-raised', 'this check has an open defect already')
    return asSevere(severity, asked, note, role)
  },
  apply(draft, body, entry) {
    if (draft.defects.has(body.defectId)) return
    draft.defects.set(body.defectId, {
      raised: { ...entry, kind: 'defect-raised', body },
      steps: [],
      amended: [],
    })
    arrived(draft, body.defectId)
  },
  shows: ({ photos = [] }) => photos,
})

/** A failure is called less than its sheet calls it with a reason, and a stop by the reviewer alone. */
function asSevere(severity: Severity, asked: Severity, reason: string, role: Role): Admission {
  if (!isMilder(severity, asked)) return ADMITTED
  if (asked === 'stop' && role !== 'reviewer')
    return refuse('reviewer-only', 'the sheet says stop: only the reviewer may call it anything less')
  return reason.trim() === ''
    ? refuse('reason-missing', `the sheet calls this ${asked}: say why it is only ${severity}`)
    : ADMITTED
}

/** Words, severity, day and whose it is, of a defect that is open; what it was before stays in the record. */
export const defectAmended = entryKind({
  schema: defectAmendedShape,
  label: 'defect amended',
  writtenBy: ['inspector', 'reviewer', 'office'],
  validatesAgainst: 'outcomes',
  admit({ defectId, severity, reason = '', ...words }, against, role) {
    const defect = against.defect(defectId)
    if (!defect) return refuse('unknown-defect', 'no such defect in this job')
    if (defect.state !== 'open' && defect.state !== 'reworked')
      return refuse('defect-over', 'this defect is closed or withdrawn: nothing of it is changed any more')
    if (severity === undefined)
      return Object.values(words).some((one) => one !== undefined)
        ? ADMITTED
        : refuse('nothing-changed', 'say what is to be changed')
    if (role === 'office')
      return refuse('not-your-step', 'how severe a defect is, the inspector or the reviewer says')
    if (!isSentence(reason))
      return refuse('reason-missing', `say in a few words why this is ${severity} and not ${defect.severity}`)
    return asSevere(severity, defect.asked ?? severity, reason, role)
  },
  apply(draft, body, entry) {
    const defect = draft.defects.get(body.defectId)
    if (!defect) return waitFor(draft, body.defectId, entry)
    const amended = [...defect.amended, { ...entry, kind: 'defect-amended' as const, body }]
    draft.defects.set(body.defectId, { ...defect, amended })
  },
})

const STEP_REFUSALS = {
  'step-not-allowed-now': 'the defect is not in a state for this step',
  'not-your-step': 'this step is for somebody else to take',
  'no-conforming-reading': 'only a new conforming reading closes a defect',
  'reading-still-fails': 'the reading in force still fails: it cannot be withdrawn',
} satisfies Record<StepRefusal, string>

export const defectStep = entryKind({
  schema: defectStepShape,
  label: 'step of a defect',
  writtenBy: ['inspector', 'installer', 'reviewer'],
  validatesAgainst: 'outcomes',
  admit({ defectId, step }, against, role) {
    const defect = against.defect(defectId)
    if (!defect) return refuse('unknown-defect', 'no such defect in this job')
    const answer = nextState(defect.state, step, role, defect.proof)
    if (answer.ok) return ADMITTED
    const possible = answer.allowed.length > 0 ? ` (possible: ${answer.allowed.join(', ')})` : ''
    return refuse(answer.code, `${STEP_REFUSALS[answer.code]}${possible}`)
  },
  apply(draft, body, entry) {
    const defect = draft.defects.get(body.defectId)
    if (!defect) return waitFor(draft, body.defectId, entry)
    const steps = [...defect.steps, { ...entry, kind: 'defect-step' as const, body }]
    const reworkedOn = body.step === 'reworked' ? draft.asBuilt : defect.reworkedOn
    draft.defects.set(body.defectId, { ...defect, steps, ...(reworkedOn && { reworkedOn }) })
  },
  shows: ({ photos = [] }) => photos,
})
