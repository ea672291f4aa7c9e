const NAME = 'plumb-mark-queue'
let sending = false

/** One sender at a time on this device, also with two tabs open: the other waits until the first is through. */
export async function withQueue(send: () => Promise<void>): Promise<void> {
  if (sending) return
  sending = true
  try {
    const locks = (globalThis.navigator as Partial<Navigator> | undefined)?.locks
    if (!locks) return await send()
    await locks.request(NAME, send)
  } finally {
    sending = false
  }
}
