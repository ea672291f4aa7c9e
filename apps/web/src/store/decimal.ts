import { create } from 'zustand'

export type DecimalMark = 'point' | 'comma'
const KEY = 'plumb-mark-decimal'

interface Decimal {
  decimal: DecimalMark
  choose(decimal: DecimalMark): void
}

/** The decimal mark of this device's owner. The other one is refused, since it could be a thousands separator. */
export const useDecimal = create<Decimal>((set) => ({
  decimal: localStorage.getItem(KEY) === 'comma' ? 'comma' : 'point',
  choose(decimal) {
    localStorage.setItem(KEY, decimal)
    set({ decimal })
  },
}))
