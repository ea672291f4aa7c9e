import { useLayoutEffect, type ReactNode } from 'react'
import { usePreferences } from '../data/preferences.js'
import { DecimalMarkContext } from '../ui/decimal-mark.js'
import { showMode } from '../ui/theme/show-mode.js'

/** What is drawn and typed within follows what the owner of this device chose. */
export function Personal({ children }: { children: ReactNode }) {
  const { mode, decimal } = usePreferences()
  useLayoutEffect(() => showMode(mode), [mode])
  return <DecimalMarkContext value={decimal}>{children}</DecimalMarkContext>
}
