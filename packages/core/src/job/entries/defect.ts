import { arrived, waitFor } from '../state.js'
import { nextState, type StepRefusal } from '../defect-process.js'
import { defectRaisedShape, defectStepShape } from '../kept-whole.js'
import { isMilder } from '../../sheet/terms.js'
import { ADMITTED, entryKind, refuse } from './entry-kind.js'

export const defectRaised = entryKind({
  schema: defectRaisedShape,
  label: 'defect raised',
  writtenBy: ['inspector', 'reviewer'],
  validatesAgainst: 'outcomes',
  admit({ checkId, severity, note = '' }, against, role) {
    const asked = against.severityOf(checkId)
    if (asked === undefined) return refuse('unknown-check', `no check is called “${checkId}”`)
    if (isMilder(severity, asked)) {
      if (asked === 'stop' && role !== 'reviewer')
        return refuse('reviewer-only', 'the sheet says stop: only the reviewer may call it anything less')
      if (note.trim() === '')
        return refuse('reason-missing', `the sheet calls this ${asked}: say why it is only ${severity}`)
    }
    return against.hasOpenDefect(checkId)
      ? refuse('already-raised', 'this check has an open defect already')
      : ADMITTED
  },
  apply(draft, body, entry) {
    if (draft.defects.has(body.defectId)) return
    draft.defects.set(body.defectId, { raised: { ...entry, kind: 'defect-raised', body }, steps: [] })
    arrived(draft, body.defectId)
  },
  shows: ({ photos = [] }) => photos,
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
