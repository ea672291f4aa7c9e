import { useCallback } from 'react'
import { inBothSystems, type Message } from '@plumb-mark/core'
import { useInspection } from './inspection.js'

/** How a text with figures reads for this job: those of the other system of units are followed by what they are in its own. */
export function useMessageText(): (said: Message) => string {
  const system = useInspection(({ inspection }) => inspection?.state.header?.units ?? 'metric')
  return useCallback((said) => inBothSystems(said, system), [system])
}
