import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import type { Clipping } from '@plumb-mark/core'
import type { ReadFile } from '@plumb-mark/manual'

export interface ManualAsked {
  file: File
  model: string | undefined
  password: string | undefined
}
export type ManualTold =
  | { kind: 'page'; done: number; of: number; seen: boolean }
  | { kind: 'read'; read: ReadFile }
  | { kind: 'cut'; clippings: Clipping[] }
  | { kind: 'refused'; code: string; message: string }

export type ManualReading =
  | { state: 'none' }
  | { state: 'reading'; done: number; of: number; seen: boolean }
  | { state: 'read'; read: ReadFile }
  | { state: 'refused'; code: string; message: string }

/** A file without an answer for this long is given up: the worker with all it holds is ended. */
const MOST_MS_A_PAGE = 60_000

/** Reads one manual at a time in a worker; another file, another model or leaving ends what runs. */
export function useManual(): {
  reading: ManualReading
  read: (asked: ManualAsked) => void
  stop: () => void
} {
  const [reading, setReading] = useState<ManualReading>({ state: 'none' })
  const end = useRef<() => void>(() => {})
  useEffect(() => () => end.current(), [])
  const stop = useCallback(() => {
    end.current()
    setReading({ state: 'none' })
  }, [])
  const read = useCallback((asked: ManualAsked) => {
    end.current()
    const worker = new Worker(new URL('./manual.worker.ts', import.meta.url), { type: 'module' })
    let patience: ReturnType<typeof setTimeout>
    const wait = () => {
      clearTimeout(patience)
      patience = setTimeout(() => {
        end.current()
        setReading({
          state: 'refused',
          code: 'too-long',
          message: 'this page takes longer than a minute to read: the file is given up',
        })
      }, MOST_MS_A_PAGE)
    }
    end.current = () => {
      clearTimeout(patience)
      worker.terminate()
    }
    setReading({ state: 'reading', done: 0, of: 0, seen: false })
    wait()
    worker.onmessage = ({ data }: MessageEvent<ManualTold>) => {
      if (data.kind === 'page') {
        wait()
        setReading({ state: 'reading', done: data.done, of: data.of, seen: data.seen })
        return
      }
      if (data.kind === 'cut') return
      end.current()
      // Some hundred rows are put together in slices: the screen goes on meanwhile.
      startTransition(() =>
        setReading(
          data.kind === 'read'
            ? { state: 'read', read: data.read }
            : { state: 'refused', code: data.code, message: data.message },
        ),
      )
    }
    worker.onerror = ({ message }) => {
      end.current()
      setReading({ state: 'refused', code: 'broken', message: `it could not be read: ${message}` })
    }
    worker.postMessage(asked)
  }, [])
  return { reading, read, stop }
}
