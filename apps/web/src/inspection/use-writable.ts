import { useSession } from '../account/session.js'
import { useInspection } from '../store/inspection.js'

/** May the person at this device change what was built? A sealed job takes nothing. */
export function useWritable(): boolean {
  const role = useSession(({ person }) => person?.role)
  const sealed = useInspection(({ inspection }) => inspection?.state.seal !== undefined)
  return (role === 'inspector' || role === 'office') && !sealed
}
