import { useEffect, useState } from 'react'
import type { PDFDocumentProxy } from 'pdfjs-dist'

/** The document to be shown: parsed in a worker of its own, loaded with the first manual. */
export function usePages(file: File | undefined, password: string | undefined): PDFDocumentProxy | undefined {
  const [document, setDocument] = useState<PDFDocumentProxy>()
  useEffect(() => {
    if (!file) return
    let close: () => void = () => {}
    let gone = false
    const open = async () => {
      const { getDocument, GlobalWorkerOptions } = await import('pdfjs-dist')
      GlobalWorkerOptions.workerPort ??= new Worker(
        new URL('pdfjs-dist/build/pdf.worker.mjs', import.meta.url),
        {
          type: 'module',
        },
      )
      const task = getDocument({
        data: new Uint8Array(await file.arrayBuffer()),
        isEvalSupported: false,
        enableXfa: false,
        ...(password !== undefined && { password }),
      })
      close = () => void task.destroy()
      const opened = await task.promise
      if (gone) close()
      else setDocument(opened)
    }
    // What cannot be shown was refused by the reader already, with its reason.
    open().catch(() => undefined)
    return () => {
      gone = true
      close()
      setDocument(undefined)
    }
  }, [file, password])
  return document
}
