import { useEffect } from 'react'

/** Keys of a screen, where no field has the focus. */
export function useKeys(keys: Record<string, () => void>): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing = (event.target as HTMLElement).closest('input, textarea, select, [contenteditable]')
      const act = keys[event.key]
      if (typing || !act || event.ctrlKey || event.metaKey || event.altKey) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [keys])
}
