import { may, type EntryKind } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { useInspection } from './inspection.js'

/** May the person at this device write this kind of entry into the open job? */
export function useMay(kind: EntryKind): boolean {
  const role = useSession(({ person }) => person?.role)
  const seal = useInspection(({ inspection }) => inspection?.state.seal)
  const readOnly = useInspection((state) => state.readOnly !== undefined)
  return may(kind, role, { seal, readOnly })
}

/** May they change what was built? */
export const useWritable = (): boolean => useMay('unit-fitted')
