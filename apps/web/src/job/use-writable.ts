import { useSession } from '../data/session.js'
import { useInspection } from './inspection.js'

/** May the person at this device change what was built? A sealed job, and a record from elsewhere, take nothing. */
export function useWritable(): boolean {
  const role = useSession(({ person }) => person?.role)
  const sealed = useInspection(({ inspection }) => inspection?.state.seal !== undefined)
  const readOnly = useInspection((state) => state.readOnly !== undefined)
  return (role === 'inspector' || role === 'office') && !sealed && !readOnly
}
