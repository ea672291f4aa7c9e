import type { Response } from 'express'

/** Whoever goes away before the answer calls its work off. */
export function whenGone(response: Response): AbortSignal {
  const gone = new AbortController()
  response.on('close', () => {
    if (!response.writableEnded) gone.abort()
  })
  return gone.signal
}
