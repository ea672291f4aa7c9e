import { create } from 'zustand'
import { suitable, type Condition, type Dimension, type Instrument } from '@plumb-mark/core'

interface Habits {
  /** The instrument last used, by dimension. */
  instruments: Partial<Record<Dimension, string>>
  /** Cell temperature and irradiance last noted. */
  conditions: Partial<Record<Condition, string>>
  /** What was typed last, by requirement: the next terminal often reads the same. */
  lastTyped: Readonly<Record<string, string>>
  useInstrument(dimension: Dimension, id: string): void
  note(condition: Condition, typed: string): void
  remember(requirementId: string, typed: string): void
}

/** What an inspector would not want to choose twice in one walk. */
export const useInputDefaults = create<Habits>((set) => ({
  instruments: {},
  conditions: {},
  lastTyped: {},
  useInstrument: (dimension, id) =>
    set(({ instruments }) => ({ instruments: { ...instruments, [dimension]: id } })),
  note: (condition, typed) =>
    set(({ conditions }) => ({ conditions: { ...conditions, [condition]: typed } })),
  remember: (requirementId, typed) =>
    set(({ lastTyped }) => ({ lastTyped: { ...lastTyped, [requirementId]: typed } })),
}))

/** The instruments that measure a dimension, and the one to offer: the last used, else the only one. */
export function choiceOf(
  all: readonly Instrument[],
  dimension: Dimension,
  lastUsed: string | undefined,
): { fitting: Instrument[]; offered: Instrument | undefined } {
  const fitting = all.filter((instrument) => suitable(instrument, { kind: 'reading', dimension }))
  return {
    fitting,
    offered: fitting.find(({ id }) => id === lastUsed) ?? (fitting.length === 1 ? fitting[0] : undefined),
  }
}
