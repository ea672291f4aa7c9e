import type { Relation } from '../quantity/relation.js'
import type { Condition } from '../answer/ask.js'
import type { Answer, AnswerOf, FormName } from '../answer/forms.js'
import type { DeviceWord } from '../device/word.js'
import type { Instrument } from '../instrument/instrument.js'

interface Seen {
  /** How many photos go with it. */
  photos?: number
}
/** A reading as it enters a judgement; the uncertainty is that of its instrument at this value. */
export interface ReadingInput extends Seen {
  kind: 'reading'
  value: number
  relation: Relation
  instrument: Instrument | undefined
  uncertainty: number
  conditions: Partial<Record<Condition, number>>
}
export interface ObservationInput extends Seen {
  kind: 'observation'
  seen: boolean
  /** How many places were seen in the same act, with the same photos. */
  over?: number | undefined
}
/** An answer of several parts, in the form that was asked for. */
export interface RecordInput extends Seen {
  kind: 'record'
  answer: Answer
  instrument: Instrument | undefined
  /** What of it was read off a device, and when. */
  word?: DeviceWord | undefined
  /** Why it proves nothing, whatever it says. */
  doubt?: string | undefined
}
export type EvidenceInput = ReadingInput | ObservationInput | RecordInput

/** The answer, when there is one in the form that a kind asks for. */
export function answered<F extends FormName>(
  evidence: EvidenceInput | undefined,
  form: F,
): AnswerOf<F> | undefined {
  // Which form it has was checked when it was read: `readAnswer` refuses another.
  return evidence?.kind === 'record' && form ? (evidence.answer as AnswerOf<F>) : undefined
}
