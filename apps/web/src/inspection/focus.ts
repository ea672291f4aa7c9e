import { create } from 'zustand'

interface Focus {
  checkId: string | undefined
  /** The thing chosen in the picture, when it is not a check: an item on the wall. */
  itemId: string | undefined
  openCheck(checkId: string | undefined): void
  chooseItem(itemId: string | undefined): void
}

/** What the inspector has at hand: the open check, the chosen thing. */
export const useFocus = create<Focus>((set) => ({
  checkId: undefined,
  itemId: undefined,
  openCheck: (checkId) => set({ checkId }),
  chooseItem: (itemId) => set({ itemId }),
}))
