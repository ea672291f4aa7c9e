import type { PersonId } from '../ids/ids.js'
import type { Role } from '../job/person.js'

/** Who read a sheet off a manual or wrote it, and who looked at it after them. */
export interface SheetRelease {
  /** Undefined for what came with the program, which nobody here wrote. */
  writtenBy?: PersonId | undefined
  releasedBy?: PersonId | undefined
}

/** Where the office wants four eyes, a sheet is in force once another person than its writer released it. */
export const isReleased = ({ writtenBy, releasedBy }: SheetRelease, fourEyes: boolean): boolean =>
  !fourEyes || writtenBy === undefined || releasedBy !== undefined

export type ReleaseAnswer = 'may' | 'not-their-role' | 'own-sheet' | 'released-already'

/** May this person release a sheet? Whoever wrote it may not: four eyes are two people's. */
export function mayRelease(by: { id: PersonId; role: Role }, sheet: SheetRelease): ReleaseAnswer {
  if (by.role === 'installer') return 'not-their-role'
  if (sheet.releasedBy !== undefined || sheet.writtenBy === undefined) return 'released-already'
  return sheet.writtenBy === by.id ? 'own-sheet' : 'may'
}
