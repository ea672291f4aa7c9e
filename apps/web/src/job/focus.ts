import { create } from 'zustand'

interface Focus {
  checkId: string | undefined
  /** Checks that stand together and are open together. */
  groupKey: string | undefined
  /** The thing chosen in the picture, when it is not a check: an item on the wall. */
  itemId: string | undefined
  /** While places are chosen that a walk did not show: which may be, and which are. A touch on one, wherever, chooses it. */
  choosing: { from: ReadonlySet<string>; chosen: ReadonlySet<string> } | undefined
  openCheck(checkId: string | undefined): void
  openGroup(groupKey: string | undefined): void
  chooseItem(itemId: string | undefined): void
  chooseFrom(checkIds: Iterable<string> | undefined): void
}

/** What the inspector has at hand: the open check or group of checks, the chosen thing. */
export const useFocus = create<Focus>((set) => ({
  checkId: undefined,
  groupKey: undefined,
  itemId: undefined,
  choosing: undefined,
  openCheck: (checkId) =>
    set(({ choosing }) =>
      checkId !== undefined && choosing?.from.has(checkId)
        ? { choosing: { ...choosing, chosen: toggled(choosing.chosen, checkId) } }
        : { checkId, choosing: undefined },
    ),
  openGroup: (groupKey) => set({ groupKey, checkId: undefined, choosing: undefined }),
  chooseItem: (itemId) => set({ itemId }),
  chooseFrom: (checkIds) =>
    set({ choosing: checkIds && { from: new Set(checkIds), chosen: new Set<string>() } }),
}))

function toggled(chosen: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(chosen)
  if (!next.delete(id)) next.add(id)
  return next
}
