import { create } from 'zustand'
import { device } from './device-database.js'

/** How much of what this device may keep must be free before it is said. */
const NEAR_FULL = 0.85
const LEAST_FREE = 60 * 1024 * 1024

export interface Storage {
  /** Absent where the browser keeps nothing at all, such as in a private window. */
  state: 'unknown' | 'ready' | 'near-full' | 'absent'
  /** The browser has promised not to clear it away by itself. */
  persistent: boolean
  usage: number
  quota: number
}

export const useStorage = create<Storage>(() => ({ state: 'unknown', persistent: false, usage: 0, quota: 0 }))

/** Asks the browser to keep what is kept here, and how much room there is: said before work begins, and again whenever it is near. */
export async function askStorage(): Promise<void> {
  try {
    await device.open()
  } catch {
    return useStorage.setState({ state: 'absent' })
  }
  const storage = (globalThis.navigator as Partial<Navigator> | undefined)?.storage
  const persistent = (await storage?.persist?.().catch(() => false)) ?? false
  const { usage = 0, quota = 0 }: StorageEstimate = (await storage?.estimate?.().catch(() => undefined)) ?? {}
  const full = quota > 0 && (usage > NEAR_FULL * quota || quota - usage < LEAST_FREE)
  useStorage.setState({ state: full ? 'near-full' : 'ready', persistent, usage, quota })
}
