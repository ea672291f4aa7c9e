import { Redo2, Undo2 } from 'lucide-react'
import { useEffect } from 'react'
import { useSession } from '../data/session.js'
import { useUndoHistory } from './undo-history.js'
import { IconButton } from '../ui/buttons.js'

/** Takes the last change of what was built back, and makes it again. */
export function UndoRedo() {
  const { done, undone, undo, redo } = useUndoHistory()
  const person = useSession((session) => session.person)!
  return (
    <>
      <IconButton disabled={done.length === 0} onClick={() => undo(person)} aria-label="Undo">
        <Undo2 size={20} />
      </IconButton>
      <IconButton disabled={undone.length === 0} onClick={() => redo(person)} aria-label="Redo">
        <Redo2 size={20} />
      </IconButton>
    </>
  )
}

/** Ctrl Z and Ctrl Y, while no field is being typed in. */
export function useUndoKeys(writable: boolean): void {
  const person = useSession((session) => session.person)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        !writable ||
        !person ||
        !(event.ctrlKey || event.metaKey) ||
        (event.target as Element).closest('input, textarea, [contenteditable=true]')
      )
        return
      const key = event.key.toLowerCase()
      if (key === 'z' && !event.shiftKey) useUndoHistory.getState().undo(person)
      else if (key === 'y' || (key === 'z' && event.shiftKey)) useUndoHistory.getState().redo(person)
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [writable, person])
}
