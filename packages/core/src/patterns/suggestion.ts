import type { PatternSays } from './recurrence.js'
import type { Stage } from '../sheet/stages.js'

export const PATTERNS_BY = ['clause', 'maker', 'model', 'revision', 'installer', 'season'] as const
export type PatternsBy = (typeof PATTERNS_BY)[number]

export type PatternSuggestion = 'train' | 'look-at-the-season' | 'look-earlier' | 'note-in-sheet'

/** Stages after which much has been closed up: what fails there is better looked at before. */
const LATE: ReadonlySet<string> = new Set<Stage>(['power-up', 'commission', 'close-up'])

/** What the office might do about a pattern that stands out, by what it was counted by and the stage where it is judged. */
export function suggestionFor(
  { says, stage }: { says: PatternSays; stage: string },
  by: PatternsBy,
): PatternSuggestion | undefined {
  if (says !== 'stands-out') return undefined
  if (by === 'installer') return 'train'
  if (by === 'season') return 'look-at-the-season'
  return by === 'clause' && LATE.has(stage) ? 'look-earlier' : 'note-in-sheet'
}
