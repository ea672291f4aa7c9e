import { create } from 'zustand'
import { LIST_ORDERS, type ListOrder } from '@plumb-mark/core'

const KEY = 'plumb-mark-list-order'

/** In which order this device's owner walks a stage. */
export const useListOrder = create<{ order: ListOrder; choose(order: ListOrder): void }>((set) => ({
  order: LIST_ORDERS.find((one) => one === localStorage.getItem(KEY)) ?? 'requirement',
  choose(order) {
    localStorage.setItem(KEY, order)
    set({ order })
  },
}))
