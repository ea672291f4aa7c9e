import { useState } from 'react'
import { blockers } from '@plumb-mark/core'
import { useInspection } from './inspection.js'

/** How much stands in the way of the signature: counted for what is kept, not for what is being typed, and nothing once it is signed. */
export function useInTheWay(): number {
  return (
    useLast(
      useInspection(({ inspection, draft }) => {
        if (!inspection || draft) return undefined
        return inspection.state.seal ? 0 : blockers(inspection).length
      }),
    ) ?? 0
  )
}

/** The last value that was one. */
function useLast<T>(value: T | undefined): T | undefined {
  const [last, setLast] = useState(value)
  if (value !== undefined && value !== last) setLast(value)
  return value ?? last
}
