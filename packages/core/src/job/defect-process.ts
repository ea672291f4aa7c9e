import type { Role } from './person.js'

export const DEFECT_STATES = ['open', 'reworked', 'closed', 'withdrawn'] as const
export type DefectState = (typeof DEFECT_STATES)[number]

export const isOpen = ({ state }: { state: DefectState }): boolean => state === 'open' || state === 'reworked'

export const DEFECT_STEPS = ['reworked', 'taken-back', 'sent-back', 'closed', 'withdrawn'] as const
export type DefectStepName = (typeof DEFECT_STEPS)[number]

/** How the steps are said, on screen and on paper. */
export const DEFECT_STEP_WORDS = {
  reworked: 'reworked',
  'taken-back': 'rework taken back',
  'sent-back': 'sent back',
  closed: 'closed',
  withdrawn: 'withdrawn',
} satisfies Record<DefectStepName, string>

/**
 * The way of a defect through rework. `needs: 'conforming-reading'` marks a step that the check itself must bear out: a reading taken
 * after the last rework, and conforming. Nobody can close a defect by saying so.
 */
export const DEFECT_PROCESS = {
  reworked: { from: ['open'], to: 'reworked', by: ['installer', 'inspector'] },
  /** Said by mistake: nobody has looked yet, or the defect would be closed or open again. */
  'taken-back': { from: ['reworked'], to: 'open', by: ['installer', 'inspector'] },
  'sent-back': { from: ['reworked'], to: 'open', by: ['inspector', 'reviewer'] },
  closed: { from: ['reworked'], to: 'closed', by: ['inspector'], needs: 'conforming-reading' },
  withdrawn: { from: ['open', 'reworked'], to: 'withdrawn', by: ['inspector'], needs: 'no-failing-reading' },
} as const satisfies Record<
  DefectStepName,
  {
    from: readonly DefectState[]
    to: DefectState
    by: readonly Role[]
    needs?: 'conforming-reading' | 'no-failing-reading'
  }
>

export type StepRefusal =
  'step-not-allowed-now' | 'not-your-step' | 'no-conforming-reading' | 'reading-still-fails'

/** What the check of a defect says now. */
export interface Proof {
  /** A conforming reading that is later than the last rework. */
  conformsSinceRework: boolean
  stillFails: boolean
}

/** May this step be taken, and where does it lead? A refusal lists the steps that may. */
export function nextState(
  state: DefectState,
  step: DefectStepName,
  role: Role,
  proof: Proof,
): { ok: true; state: DefectState } | { ok: false; code: StepRefusal; allowed: DefectStepName[] } {
  const refusal = whyNot(state, step, role, proof)
  if (!refusal) return { ok: true, state: DEFECT_PROCESS[step].to }
  return {
    ok: false,
    code: refusal,
    allowed: DEFECT_STEPS.filter((other) => !whyNot(state, other, role, proof)),
  }
}

function whyNot(state: DefectState, step: DefectStepName, role: Role, proof: Proof): StepRefusal | undefined {
  const rule: { from: readonly DefectState[]; by: readonly Role[]; needs?: string } = DEFECT_PROCESS[step]
  if (!rule.from.includes(state)) return 'step-not-allowed-now'
  if (!rule.by.includes(role)) return 'not-your-step'
  if (rule.needs === 'conforming-reading' && !proof.conformsSinceRework) return 'no-conforming-reading'
  if (rule.needs === 'no-failing-reading' && proof.stillFails) return 'reading-still-fails'
  return undefined
}
