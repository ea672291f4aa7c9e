/** What the page listens to, in the order in which it was opened; a test says what comes. */
export const streams: FakeStream[] = []

class FakeStream {
  onmessage: ((event: { data: string }) => void) | undefined
  onerror: (() => void) | undefined
  closed = false
  constructor(readonly address: string) {
    streams.push(this)
  }
  tell(data: object): void {
    this.onmessage?.({ data: JSON.stringify(data) })
  }
  fail(): void {
    this.onerror?.()
  }
  close(): void {
    this.closed = true
  }
}

/** jsdom has none. */
export function streamsOfTests(): void {
  streams.length = 0
  Object.assign(globalThis, { EventSource: FakeStream })
}
