import { Box } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import type { PDFDocumentProxy } from 'pdfjs-dist'

/** A place on a page, in points from its upper left corner. */
export interface PageMark {
  index: number
  label: string
  box: { x0: number; top: number; x1: number; bottom: number }
}

/** One page of the manual, drawn at the width it has, with what was found marked on it. */
export function PagePicture({
  document,
  number,
  width,
  marks,
  chosen,
  onChoose,
}: {
  document: PDFDocumentProxy
  number: number
  width: number
  marks: readonly PageMark[]
  chosen: number | undefined
  onChoose: (index: number) => void
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [size, setSize] = useState<{ width: number; height: number }>()
  useEffect(() => {
    let gone = false
    let drawing: { cancel: () => void; promise: Promise<void> } | undefined
    const draw = async () => {
      const page = await document.getPage(number)
      if (gone || !canvas.current) return
      const whole = page.getViewport({ scale: 1 })
      setSize({ width: whole.width, height: whole.height })
      const scale = (width / whole.width) * Math.min(2, devicePixelRatio)
      const viewport = page.getViewport({ scale })
      canvas.current.width = viewport.width
      canvas.current.height = viewport.height
      drawing = page.render({ canvas: canvas.current, viewport })
      await drawing.promise
    }
    draw().catch(() => undefined)
    return () => {
      gone = true
      drawing?.cancel()
    }
  }, [document, number, width])
  const scale = size ? width / size.width : 1
  return (
    <Box
      position="relative"
      w={`${width}px`}
      h={size ? `${size.height * scale}px` : `${width * 1.41}px`}
      bg="white"
    >
      <canvas
        ref={canvas}
        style={{ width: '100%', height: '100%' }}
        aria-label={`Page ${number}`}
        role="img"
      />
      {marks.map((mark) => (
        <Mark
          key={mark.index}
          mark={mark}
          scale={scale}
          chosen={mark.index === chosen}
          onChoose={() => onChoose(mark.index)}
        />
      ))}
    </Box>
  )
}

function Mark({
  mark: { box, label },
  scale,
  chosen,
  onChoose,
}: {
  mark: PageMark
  scale: number
  chosen: boolean
  onChoose: () => void
}) {
  const here = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (chosen) here.current?.scrollIntoView({ block: 'center' })
  }, [chosen])
  return (
    <button
      ref={here}
      type="button"
      tabIndex={-1}
      aria-label={`Found here: ${label}`}
      aria-pressed={chosen}
      onClick={onChoose}
      style={{
        position: 'absolute',
        left: `${box.x0 * scale - 3}px`,
        top: `${box.top * scale - 2}px`,
        width: `${(box.x1 - box.x0) * scale + 6}px`,
        height: `${(box.bottom - box.top) * scale + 4}px`,
        border: chosen ? '2px solid #1d4a73' : '1px solid rgb(122 91 18 / 0.55)',
        background: chosen ? 'rgb(35 82 125 / 0.14)' : 'rgb(220 182 95 / 0.14)',
        borderRadius: '2px',
        cursor: 'pointer',
      }}
    />
  )
}
