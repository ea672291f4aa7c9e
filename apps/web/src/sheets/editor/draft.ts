import { useEffect } from 'react'

/** A sheet that somebody is writing, kept on this device until it is saved or discarded. */
export interface SheetDraft {
  text: string
  /** RFC 3339 */
  at: string
  /** Of the sheet that it was begun from; another one since means that somebody else changed it meanwhile. */
  fingerprint: string | undefined
}

const keyOf = (id: string | undefined) => `plumb-mark-sheet-draft ${id ?? 'new'}`

/** Undefined where there is none, or none that can be read. */
export function draftOf(id: string | undefined): SheetDraft | undefined {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null') as Partial<SheetDraft> | null
    return typeof kept?.text === 'string' && typeof kept.at === 'string' ? (kept as SheetDraft) : undefined
  } catch {
    return undefined
  }
}

export function keepDraft(id: string | undefined, draft: SheetDraft): void {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(draft))
  } catch {
    // A device that keeps nothing: leaving still asks.
  }
}

export function forgetDraft(id: string | undefined): void {
  try {
    localStorage.removeItem(keyOf(id))
  } catch {
    // Nothing was kept.
  }
}

const LEAVING = 'Leave this sheet? What you changed stays on this device as a draft.'

/** Asks before a link leads away, or the page is left or loaded anew, while something is unsaved. */
export function useLeavingAsks(unsaved: boolean): void {
  useEffect(() => {
    if (!unsaved) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    // Before the router hears of the click.
    const askOfLink = (event: MouseEvent) => {
      const link = (event.target as Element).closest?.('a[href]')
      if (!link || link.hasAttribute('download') || window.confirm(LEAVING)) return
      event.preventDefault()
      event.stopPropagation()
    }
    window.addEventListener('beforeunload', ask)
    document.addEventListener('click', askOfLink, true)
    return () => {
      window.removeEventListener('beforeunload', ask)
      document.removeEventListener('click', askOfLink, true)
    }
  }, [unsaved])
}
