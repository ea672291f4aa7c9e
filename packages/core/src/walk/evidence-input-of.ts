import type { Ask } from '../answer/ask.js'
import { fitAnswer } from '../answer/forms.js'
import { stepTimes } from './step-times.js'
import { ownFigures } from '../device/word.js'
import { uncertaintyOf, vouching } from '../instrument/instrument.js'
import type { EntryBodies } from '../job/entries/registry.js'
import type { Evidence } from '../job/state.js'
import type { Dimension } from '../quantity/units.js'
import type { EvidenceInput, ReadingInput, RecordInput } from '../requirements/evidence-input.js'
import { attempt } from '../shape/attempt.js'

/** Evidence as a judgement takes it. */
export function evidenceInputOf(
  ask: Ask,
  evidence: Evidence | undefined,
  history: readonly Evidence[] = [],
): EvidenceInput | undefined {
  if (!evidence || evidence.kind === 'not-applicable') return undefined
  const photos = evidence.body.photos?.length ?? 0
  if (evidence.kind === 'observation')
    return { kind: 'observation', seen: evidence.body.seen, photos, over: evidence.walkedOver?.length }
  if (evidence.kind === 'record')
    return withStepTimes(asRecord(ask, evidence.body, photos), { evidence, history })
  return asReading(evidence.body, ask.kind === 'reading' ? ask.dimension : undefined, photos)
}

export function asReading(
  { value, relation, instrument: used, word, conditions }: EntryBodies['reading'],
  dimension: Dimension | undefined,
  photos: number,
): ReadingInput {
  const instrument = used ?? (word && ownFigures(word))
  return {
    kind: 'reading',
    value,
    relation,
    instrument: dimension && vouching(instrument, dimension, value),
    uncertainty: dimension ? uncertaintyOf(instrument, dimension, value) : 0,
    conditions: conditions ?? {},
    photos,
  }
}

/** An answer that was given under an older revision, and does not fit what is asked now, answers nothing. */
function asRecord(
  ask: Ask,
  { answer, instrument, word }: EntryBodies['record'],
  photos: number,
): RecordInput | undefined {
  if (ask.kind !== 'record') return undefined
  const fitting = attempt(() => fitAnswer(ask, answer))
  return fitting.ok
    ? {
        kind: 'record',
        answer: fitting.value,
        instrument: instrument ?? (word && ownFigures(word)),
        word,
        photos,
      }
    : undefined
}

/** Steps by the clock of the server, like the entry that holds them. */
function withStepTimes(
  given: RecordInput | undefined,
  { evidence, history }: { evidence: Evidence; history: readonly Evidence[] },
): RecordInput | undefined {
  if (!given || !('done' in given.answer)) return given
  const { done } = given.answer
  const times = stepTimes(done, evidence, history)
  return times ? { ...given, answer: { done: times.done }, doubt: times.doubt } : given
}
