import { create } from 'zustand'

export type Mode = 'light' | 'dark'
const KEY = 'plumb-mark-mode'

interface ColourMode {
  mode: Mode
  choose(mode: Mode): void
}

/** Light for glare, dark for plant rooms; the device's own wish until somebody chooses. */
export const useColourMode = create<ColourMode>((set) => ({
  mode: show(
    (localStorage.getItem(KEY) as Mode | null) ??
      (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'),
  ),
  choose(mode) {
    localStorage.setItem(KEY, mode)
    set({ mode: show(mode) })
  },
}))

function show(mode: Mode): Mode {
  document.documentElement.classList.remove('light', 'dark')
  document.documentElement.classList.add(mode)
  document.documentElement.style.colorScheme = mode
  return mode
}
