import { useEffect, useState } from 'react'
import { bestNext, type Stage } from '@plumb-mark/core'
import { useClauseHistory } from '../../data/clause-history.js'
import { useInspection } from '../../job/inspection.js'

const PAUSE_MS = 400

/** Where the walk best goes on, worked out when nobody types. */
export function useBestNext(): Stage | undefined {
  const history = useClauseHistory()
  const [next, setNext] = useState<Stage>()
  useEffect(() => {
    let pause = 0
    const work = () => {
      const { inspection } = useInspection.getState()
      setNext(inspection && bestNext(inspection, history))
    }
    // Not read while drawing: the line would be drawn again at every key.
    const look = () => {
      clearTimeout(pause)
      pause = window.setTimeout(work, PAUSE_MS)
    }
    look()
    const leave = useInspection.subscribe(look)
    return () => (clearTimeout(pause), leave())
  }, [history])
  return next
}
