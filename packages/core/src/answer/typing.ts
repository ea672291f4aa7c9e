import { accuracyOf, type Instrument } from '../instrument/instrument.js'
import type { TypingHabits } from '../quantity/parse.js'
import type { Dimension } from '../quantity/units.js'

/** A question that is answered by one figure. */
export interface FigureAsked {
  dimension: Dimension
  /** Meant when none is typed; both kinds of size are common where it is left out. */
  unit?: string | undefined
  /** True where a figure may well lie below zero: a polarity, a power that flows back. */
  signed?: boolean | undefined
}

/** How what is typed in answer to a question is read: its unit, whether it may be negative, what an instrument over its range says. */
export function habitsFor(
  { dimension, unit, signed = false }: FigureAsked,
  instrument?: Instrument,
): TypingHabits {
  const overRange = instrument && accuracyOf(instrument, dimension)?.upTo
  return {
    ...(unit !== undefined && { assume: unit }),
    ...(unit === undefined && dimension === 'conductor-size' && { unitRequired: true }),
    ...(!signed && dimension !== 'temperature' && { magnitude: true }),
    ...(overRange !== undefined && { overRange }),
  }
}
