import { useEffect, useState } from 'react'
import type { PDFDocumentProxy } from 'pdfjs-dist'
import { getFile } from '../data/api.js'

/** Where a manual comes from: a file on this device, or the library under its digest. */
export type ManualSource = { file: Blob; password?: string | undefined } | { digest: string }

export interface OpenedPages {
  document: PDFDocumentProxy | undefined
  problem: string | undefined
}

/** The document to be shown: parsed in a worker of its own, loaded with the first manual. */
export function usePages(source: ManualSource | undefined): OpenedPages {
  const [opened, setOpened] = useState<OpenedPages>({ document: undefined, problem: undefined })
  const key = source && ('digest' in source ? source.digest : source.file)
  const password = source && 'file' in source ? source.password : undefined
  useEffect(() => {
    if (key === undefined) return
    let close: () => void = () => {}
    let gone = false
    const open = async () => {
      const data = await bytesOf(key)
      const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist')
      GlobalWorkerOptions.workerPort ??= new Worker(
        new URL('pdfjs-dist/build/pdf.worker.mjs', import.meta.url),
        { type: 'module' },
      )
      const task = getDocument({
        data,
        isEvalSupported: false,
        enableXfa: false,
        ...(password !== undefined && { password }),
      })
      close = () => void task.destroy()
      const document = await task.promise
      if (gone) close()
      else setOpened({ document, problem: undefined })
    }
    open().catch((fault: Error) => {
      if (!gone) setOpened({ document: undefined, problem: fault.message })
    })
    return () => {
      gone = true
      close()
      setOpened({ document: undefined, problem: undefined })
    }
  }, [key, password])
  return opened
}

async function bytesOf(key: string | Blob): Promise<Uint8Array> {
  const content = typeof key === 'string' ? (await getFile(`/api/manuals/${key}`)).content : key
  return new Uint8Array(await content.arrayBuffer())
}
