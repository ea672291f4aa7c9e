import { WORK, type Asked } from './trace-work.js'

/** Long traces are read, judged and reduced here, so that no frame of the screen waits for them. */
self.onmessage = async ({
  data: { id, name, asked },
}: MessageEvent<{ id: number; name: keyof Asked; asked: never }>) => {
  try {
    self.postMessage({ id, answer: await WORK[name](asked) })
  } catch (problem) {
    self.postMessage({ id, problem: (problem as Error).message })
  }
}
