import { useEffect } from 'react'

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), summary, [tabindex]'

/** The nearest place to go on that is still there, from the inside out: within what held the thing that had the focus. */
function placeToGoOn(path: readonly Element[]): HTMLElement | undefined {
  const holder = path.slice(1).find((one) => one.isConnected && one !== document.body)
  if (!(holder instanceof HTMLElement)) return undefined
  const inside = holder.querySelector<HTMLElement>(FOCUSABLE)
  if (inside) return inside
  if (!holder.hasAttribute('tabindex')) holder.tabIndex = -1
  return holder
}

const isGone = (one: Element): boolean => !one.isConnected || one.matches(':disabled')

/**
 * The focus never falls to the page: when what had it is taken away or cannot be used any more, and nothing that came instead took it, it
 * goes on beside where it was. Whoever let it go by a touch beside everything is left alone.
 */
export function useKeptFocus(): void {
  useEffect(() => {
    let path: Element[] = []
    const remember = ({ target }: FocusEvent) => {
      path = []
      for (let one = target as Element | null; one; one = one.parentElement) path.push(one)
    }
    const mend = () => {
      const [last] = path
      const here = document.activeElement
      // Some browsers leave the focus at what is locked, where no key does anything.
      if (!last || !isGone(last) || (here !== document.body && here !== last)) return
      placeToGoOn(path)?.focus({ preventScroll: true })
    }
    const observer = new MutationObserver(() => {
      // What comes in its place takes the focus in its own time, if it wants it.
      const [last] = path
      if (last && isGone(last)) requestAnimationFrame(() => setTimeout(mend))
    })
    document.addEventListener('focusin', remember)
    observer.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled'],
    })
    return () => {
      document.removeEventListener('focusin', remember)
      observer.disconnect()
    }
  }, [])
}
