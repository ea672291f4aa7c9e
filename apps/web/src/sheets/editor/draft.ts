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

/** Asks before the page is left or loaded anew while something is unsaved. */
export function useLeavingAsks(unsaved: boolean): void {
  useEffect(() => {
    if (!unsaved) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', ask)
    return () => window.removeEventListener('beforeunload', ask)
  }, [unsaved])
}
