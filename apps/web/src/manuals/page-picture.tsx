import { Box } from '@chakra-ui/react'
import { useDrag } from '@use-gesture/react'
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
  onMark,
}: {
  document: PDFDocumentProxy
  number: number
  width: number
  marks: readonly PageMark[]
  chosen: number | undefined
  onChoose: (index: number) => void
  /** A piece of the page was marked by dragging over it. */
  onMark?: (box: PageMark['box']) => void
}) {
  const [drawn, setDrawn] = useState<PageMark['box']>()
  const room = useRef<HTMLDivElement>(null)
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
  const bind = useDrag(
    ({ initial: [fromX, fromY], xy: [x, y], last, tap }) => {
      const edge = room.current!.getBoundingClientRect()
      const at = (clientX: number, clientY: number) =>
        [(clientX - edge.x) / scale, (clientY - edge.y) / scale] as const
      const [a, b] = [at(fromX, fromY), at(x, y)]
      const box = {
        x0: Math.min(a[0], b[0]),
        top: Math.min(a[1], b[1]),
        x1: Math.max(a[0], b[0]),
        bottom: Math.max(a[1], b[1]),
      }
      setDrawn(last || tap ? undefined : box)
      if (last && !tap && box.x1 - box.x0 > 8 && box.bottom - box.top > 4) onMark?.(box)
    },
    { enabled: onMark !== undefined, filterTaps: true, pointer: { mouse: true } },
  )
  return (
    <Box
      ref={room}
      {...bind()}
      cursor={onMark ? 'crosshair' : undefined}
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
      {drawn && (
        <Box
          position="absolute"
          left={`${drawn.x0 * scale}px`}
          top={`${drawn.top * scale}px`}
          w={`${(drawn.x1 - drawn.x0) * scale}px`}
          h={`${(drawn.bottom - drawn.top) * scale}px`}
          border="2px dashed"
          borderColor="pinMark"
          pointerEvents="none"
        />
      )}
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
