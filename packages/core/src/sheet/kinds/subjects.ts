import type { StringBuilt, UnitBuilt } from '../../as-built/as-built.js'
import { object, oneOf, optional } from '../../verdict/shape.js'
import { TERMINAL_SIDES, type Terminal } from '../terminal.js'
import { CLAMPS } from '../terms.js'
import type { Subject } from './kind.js'

export const wholeUnit: Subject = { kind: 'unit', id: 'unit', label: '' }

/** Which terminals of a unit a requirement is about. */
export const terminalFilterField = optional(object({ side: optional(oneOf(TERMINAL_SIDES)), clamp: optional(oneOf(CLAMPS)) }, 'which terminals'), {})
export interface TerminalFilter {
  side?: Terminal['side'] | undefined
  clamp?: Terminal['clamp'] | undefined
}

export function matching(terminals: readonly Terminal[], { side, clamp }: TerminalFilter): Terminal[] {
  return terminals.filter((terminal) => (side === undefined || terminal.side === side) && (clamp === undefined || terminal.clamp === clamp))
}

export const terminalSubject = (terminal: Terminal): Subject => ({ kind: 'terminal', id: terminal.id, label: terminal.label, terminal })

/** The strings that end in a unit. */
export function stringSubjects(unit: UnitBuilt, strings: readonly StringBuilt[]): Subject[] {
  return strings.filter(({ unitId }) => unitId === unit.id).map((string) => ({ kind: 'string', id: string.id, label: string.label, string }))
}
