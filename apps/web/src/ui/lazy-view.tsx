import { lazy, useState, type ComponentType } from 'react'

export interface LazyView {
  View: ComponentType
  /** Fetches it before it is needed; from then on it appears at once. */
  load: () => Promise<void>
}

/** A view that is fetched when it is first shown, or before. Once it is here it never waits: a moment's wait would be held for longer. */
export function lazyView<N extends string>(
  name: N,
  fetch: () => Promise<Record<N, ComponentType>>,
): LazyView {
  let here: ComponentType | undefined
  const load = async () => {
    here = (await fetch())[name]
  }
  const Later = lazy(async () => {
    await load()
    return { default: here! }
  })
  // Which of the two is chosen once: what is on screen is not taken away when the fetched view arrives.
  const View = () => {
    const [Shown] = useState<ComponentType>(() => here ?? Later)
    return <Shown />
  }
  return { View, load }
}
