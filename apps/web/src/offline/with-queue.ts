const NAME = 'plumb-mark-queue'
let sending = false
const next = new Set<() => Promise<void>>()

/** One sender at a time on this device, also with two tabs open: the other waits until the first is through. What is asked for meanwhile is sent after it. */
export async function withQueue(send: () => Promise<void>): Promise<void> {
  next.add(send)
  if (sending) return
  sending = true
  try {
    for (const one of next) {
      next.delete(one)
      await alone(one)
    }
  } finally {
    sending = false
  }
}

async function alone(send: () => Promise<void>): Promise<void> {
  const locks = (globalThis.navigator as Partial<Navigator> | undefined)?.locks
  if (!locks) return send()
  await locks.request(NAME, send)
}
