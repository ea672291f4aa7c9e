import { measures, type Instrument } from '../instrument/instrument.js'
import type { Ask } from './ask.js'

type Wanted =
  | Pick<Extract<Ask, { kind: 'reading' }>, 'kind' | 'dimension'>
  | { kind: 'record'; instrument?: Extract<Ask, { kind: 'record' }>['instrument'] }

/**
 * Can an instrument answer what is asked? For a reading it says how well it measures the dimension; for an answer of several parts it is of
 * the kind that is asked for. A caliper stands in for a tape: both measure lengths, and how far it reaches is judged with the reading.
 */
export function suitable(instrument: Instrument, wanted: Wanted): boolean {
  if (wanted.kind === 'reading') return measures(instrument, wanted.dimension)
  if (wanted.instrument === undefined) return false
  if (instrument.kind === wanted.instrument) return true
  return wanted.instrument === 'tape' && instrument.kind === 'caliper' && measures(instrument, 'length')
}
