import { useEffect } from 'react'

/** What the reading of plates wants, under the names by which it asks for it. The service worker keeps what was fetched once. */
const FILES = ['/recogniser/eng.traineddata.gz', '/recogniser/tesseract-core-relaxedsimd-lstm.wasm.js']
/** Whoever opens a job wants the job first. */
const AFTER_MS = 20_000

interface Connection {
  saveData?: boolean
}

/** Fetches the recogniser once a device, while there is signal and nobody counts the bytes: in the plant room there is none. */
export function useRecogniserAhead(): void {
  useEffect(() => {
    const { connection } = navigator as { connection?: Connection }
    if (!navigator.serviceWorker?.controller || connection?.saveData) return
    const later = setTimeout(() => {
      void (async () => {
        const kept = await caches.open('plumb-mark-recogniser')
        for (const file of FILES) if (!(await kept.match(file))) await fetch(file)
      })().catch(() => undefined)
    }, AFTER_MS)
    return () => clearTimeout(later)
  }, [])
}
