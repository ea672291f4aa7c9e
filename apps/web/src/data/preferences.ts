import { create } from 'zustand'
import { createJSONStorage, persist } from 'zustand/middleware'
import { LIST_ORDERS, SYSTEMS, type ListOrder, type System } from '@plumb-mark/core'

const MODES = ['light', 'dark'] as const
const DECIMALS = ['point', 'comma'] as const
export type Mode = (typeof MODES)[number]
export type DecimalMark = (typeof DECIMALS)[number]

/** What the owner of this device chose for it. */
export interface Preferences {
  /** Light for glare, dark for plant rooms; the device's own wish until somebody chooses. */
  mode: Mode
  /** The other mark is refused, since it could be a thousands separator. */
  decimal: DecimalMark
  /** The system of units in which one reads where no job says it. */
  system: System
  /** In which order a stage is walked. */
  listOrder: ListOrder
  /** At which stop of the tour one stands; undefined while nobody is on it. */
  tourAt?: number | undefined
}

const KEY = 'plumb-mark-preferences'

/** Each by its own rule: a value that nobody could have chosen leaves what is usual. */
const readKept = (kept: Partial<Record<keyof Preferences, unknown>>): Preferences => ({
  mode:
    MODES.find((one) => one === kept.mode) ??
    (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'),
  decimal: DECIMALS.find((one) => one === kept.decimal) ?? 'point',
  system: SYSTEMS.find((one) => one === kept.system) ?? 'metric',
  listOrder: LIST_ORDERS.find((one) => one === kept.listOrder) ?? 'requirement',
  ...(Number.isInteger(kept.tourAt) && Number(kept.tourAt) >= 0 && { tourAt: Number(kept.tourAt) }),
})

/** Before there was one place for them, each lay under a key of its own. */
const before = () =>
  readKept({
    mode: localStorage.getItem('plumb-mark-mode'),
    decimal: localStorage.getItem('plumb-mark-decimal'),
    system: localStorage.getItem('plumb-mark-system'),
    listOrder: localStorage.getItem('plumb-mark-list-order'),
  })

export const usePreferences = create<Preferences>()(
  persist<Preferences>(before, {
    name: KEY,
    storage: createJSONStorage(() => localStorage),
    merge: (kept, now) => (kept ? readKept(kept) : now),
  }),
)

export function prefer(wish: Partial<Preferences>): void {
  usePreferences.setState(wish)
}

export const useDecimal = (): DecimalMark => usePreferences(({ decimal }) => decimal)
