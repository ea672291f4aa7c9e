import { create } from 'zustand'

export type DecimalMark = 'point' | 'comma'
const KEY = 'plumb-mark-decimal'

interface Decimal {
  decimal: DecimalMark
  turn(): void
}

/** The decimal mark of this device's owner. The other one is refused, since it could be a thousands separator. */
export const useDecimal = create<Decimal>((set, get) => ({
  decimal: localStorage.getItem(KEY) === 'comma' ? 'comma' : 'point',
  turn() {
    const decimal = get().decimal === 'point' ? 'comma' : 'point'
    localStorage.setItem(KEY, decimal)
    set({ decimal })
  },
}))
