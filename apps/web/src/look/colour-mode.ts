import { create } from 'zustand'

export type Mode = 'light' | 'dark'
const KEY = 'plumb-mark-mode'

interface ColourMode {
  mode: Mode
  turn(): void
}

/** Light for glare, dark for plant rooms; the device's own wish until somebody chooses. */
export const useColourMode = create<ColourMode>((set, get) => ({
  mode: show(
    (localStorage.getItem(KEY) as Mode | null) ??
      (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'),
  ),
  turn() {
    const mode = get().mode === 'light' ? 'dark' : 'light'
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
