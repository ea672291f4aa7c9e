import { useEffect, useState } from 'react'
import { blocksOf, walkPlan, type ClauseHistory, type Inspection, type Stage } from '@plumb-mark/core'
import { useClauseHistory } from '../../store/clause-history.js'
import { useInspection } from '../../store/inspection.js'

const PAUSE_MS = 400

/** Where the walk best goes on, by trips and by what failed most on such units; worked out when nobody types. */
export function useBestNext(): Stage | undefined {
  const history = useClauseHistory()
  const [next, setNext] = useState<Stage>()
  useEffect(() => {
    let pause = 0
    // Not read while drawing: the line would be drawn again at every key.
    const look = () => {
      clearTimeout(pause)
      pause = window.setTimeout(
        () => setNext(bestNext(useInspection.getState().inspection, history)),
        PAUSE_MS,
      )
    }
    look()
    const leave = useInspection.subscribe(look)
    return () => (clearTimeout(pause), leave())
  }, [history])
  return next
}

function bestNext(inspection: Inspection | undefined, history: ClauseHistory[]): Stage | undefined {
  if (!inspection || inspection.state.seal) return undefined
  const kindOf = (unitId: string) => inspection.around.sheetOf(unitId)?.kind
  return walkPlan(blocksOf(inspection.checks, kindOf, history)).blocks[0]?.stage
}
