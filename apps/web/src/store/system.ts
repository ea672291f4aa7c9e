import { create } from 'zustand'
import { SYSTEMS, type System } from '@plumb-mark/core'

const KEY = 'plumb-mark-system'

/** The system of units in which this device's owner reads, where no job says it. */
export const useSystem = create<{ system: System; choose(system: System): void }>((set) => ({
  system: SYSTEMS.find((one) => one === localStorage.getItem(KEY)) ?? 'metric',
  choose(system) {
    localStorage.setItem(KEY, system)
    set({ system })
  },
}))
