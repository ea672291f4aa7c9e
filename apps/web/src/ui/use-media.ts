import { useSyncExternalStore } from 'react'

interface Media {
  listen: (changed: () => void) => () => void
  matches: () => boolean
}
/** One list a query: asking for a new one with every drawing makes the browser work out its styles each time. */
const MADE = new Map<string, Media>()

function mediaOf(query: string): Media {
  const made = MADE.get(query)
  if (made) return made
  const list = matchMedia(query)
  const media: Media = {
    listen(changed) {
      list.addEventListener('change', changed)
      return () => list.removeEventListener('change', changed)
    },
    matches: () => list.matches,
  }
  MADE.set(query, media)
  return media
}

/** Does the screen answer to a media query now? */
export function useMedia(query: string): boolean {
  const { listen, matches } = mediaOf(query)
  return useSyncExternalStore(listen, matches)
}
