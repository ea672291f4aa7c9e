import {
  Suspense,
  lazy,
  startTransition,
  useEffect,
  useState,
  type ComponentType,
  type ReactNode,
} from 'react'
import { SmallDanger } from './theme/text.js'

interface Options {
  /** What stands there until it has been fetched. */
  coming?: ReactNode
}

/**
 * A part of a screen with a library of its own: fetched when it is first shown. One that cannot be fetched, where nothing is installed and
 * there is no signal, says so in its place and is asked for again when it is shown anew.
 */
export function lazyPart<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
  { coming }: Options = {},
): ComponentType<P> {
  const fetched = () =>
    lazy(async () => {
      try {
        return { default: await fetch() }
      } catch {
        Part = fetched()
        return { default: NotHere as ComponentType<P> }
      }
    })
  let Part = fetched()
  return function LazyPart(props: P) {
    const [Shown] = useState(() => Part)
    return (
      <Suspense fallback={coming}>
        <Shown {...props} />
      </Suspense>
    )
  }
}

/**
 * A chart: its library works it out in many rounds, so it is drawn in a task of its own, after the screen around it was painted. The room
 * that it needs is left by whoever shows it.
 */
export function lazyChart<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
  { coming }: Options = {},
): ComponentType<P> {
  const Chart = lazyPart(fetch, { coming })
  return function LazyChart(props: P) {
    return usePainted() ? <Chart {...props} /> : coming
  }
}

const NotHere = () => (
  <SmallDanger role="alert">
    This part is not on this device yet. It comes when there is signal again.
  </SmallDanger>
)

/** Has the screen been painted since this was first drawn? */
function usePainted(): boolean {
  const [painted, setPainted] = useState(false)
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setPainted(true)))
    })
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(timer)
    }
  }, [])
  return painted
}
