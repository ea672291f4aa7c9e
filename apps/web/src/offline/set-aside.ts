import { liveQuery } from 'dexie'
import { create } from 'zustand'
import { device, type SetAside } from './device-database.js'

export type { SetAside }

/** What is set aside on this device, whoever entered it; another tab's is seen too. */
export const useSetAside = create<{ list: readonly SetAside[] }>(() => ({ list: [] }))

const read = () => device.aside.toArray()

liveQuery(read).subscribe({
  next: (list) => useSetAside.setState({ list }),
  // Without storage there is nothing to follow: what is put aside then stays in the list alone.
  error: () => undefined,
})

/** True where it is on the device; false where the device keeps nothing any more, and it is in this page alone. */
export async function putAside(one: SetAside): Promise<boolean> {
  const others = useSetAside.getState().list.filter(({ id }) => id !== one.id)
  useSetAside.setState({ list: [...others, one] })
  return device.aside.put(one).then(
    () => true,
    () => false,
  )
}

/** Takes it out, because it is sent again or for good. */
export async function takeFromAside({ id }: SetAside): Promise<void> {
  useSetAside.setState(({ list }) => ({ list: list.filter((one) => one.id !== id) }))
  await device.aside.delete(id).catch(() => undefined)
}
