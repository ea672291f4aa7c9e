import { useEffect, useMemo, useState } from 'react'
import type { GraphLayout } from '@plumb-mark/report'

type LayOut = (typeof import('./graph-library.js'))['layOutGraph']

/** Once it is here, the next picture does not wait for it. */
let here: LayOut | undefined

/**
 * Where the parts of a graph and what ties them lie, from the top down; undefined until what lays them out was fetched. `arrangement` says
 * who is tied to whom (`arrangementOf`), `sizes` how large parts and words are, px.
 */
export function useGraphLayout(
  arrangement: string,
  sizes: { node: { w: number; h: number }; label: { w: number; h: number } },
): GraphLayout | undefined {
  const [layOut, setLayOut] = useState<LayOut | undefined>(() => here)
  useEffect(() => {
    if (layOut) return
    let left = false
    void import('./graph-library.js').then(({ layOutGraph }) => {
      here = layOutGraph
      if (!left) setLayOut(() => layOutGraph)
    })
    return () => {
      left = true
    }
  }, [layOut])
  return useMemo(() => layOut?.(arrangement, { direction: 'TB', ...sizes }), [layOut, arrangement, sizes])
}
