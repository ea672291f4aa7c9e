import { asErrorShape, attempt, clearanceRework, type ClearanceReworkInput } from '@plumb-mark/core'

/** Searches the least rework away from the screen's own thread; tells how far it has come. Ending the worker calls it off. */
self.onmessage = ({ data }: MessageEvent<ClearanceReworkInput>) => {
  const done = attempt(() => clearanceRework(data, (part) => self.postMessage({ part })))
  // Words with figures would lose their kind on the way between threads: they go as text.
  const message = done.ok
    ? { result: JSON.parse(JSON.stringify(done.value)) as object }
    : asErrorShape(done.problem)
  self.postMessage(message)
}
