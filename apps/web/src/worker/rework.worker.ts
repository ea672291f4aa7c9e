import { BadInput, asErrorShape, clearanceRework, type ClearanceReworkInput } from '@plumb-mark/core'

/** Searches the least rework away from the screen's own thread; tells how far it has come. Ending the worker calls it off. */
self.onmessage = ({ data }: MessageEvent<ClearanceReworkInput>) => {
  try {
    const result = clearanceRework(data, (part) => self.postMessage({ part }))
    self.postMessage({ result })
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    self.postMessage(asErrorShape(problem))
  }
}
