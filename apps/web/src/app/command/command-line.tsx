import { useEffect, useState } from 'react'
import { lazyPart } from '../../ui/lazy-part.js'

const Line = lazyPart(async () => (await import('./line.js')).Line)

/** Opens the line from wherever somebody is, unless something is being typed. */
const KEY = ';'

/** One line that finds a check, a clause, a unit, a job, a sheet or a calculator, and takes “inv 2 pv1+ 2.4” as a reading. */
export function CommandLine() {
  const [open, setOpen] = useState(false)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = (event.target as Element).closest('input, textarea, select, [contenteditable=true]')
      if (event.key !== KEY || typing || event.ctrlKey || event.metaKey || event.altKey) return
      event.preventDefault()
      setOpen(true)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return open ? <Line onClose={() => setOpen(false)} /> : null
}
