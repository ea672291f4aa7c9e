import { Box, chakra } from '@chakra-ui/react'
import { useVirtualizer } from '@tanstack/react-virtual'
import type { PDFDocumentProxy } from 'pdfjs-dist'
import { useEffect, useRef } from 'react'
import type { ReadFile } from '@plumb-mark/manual'

const WIDTH = 84
const GAP = 26

const Thumb = chakra('button', {
  base: {
    display: 'block',
    border: '2px solid',
    borderColor: 'hair',
    bg: 'white',
    cursor: 'pointer',
    _current: { borderColor: 'accent' },
  },
})

/** The pages as small pictures, one below the other; only those in sight are drawn. */
export function PageStrip({
  document,
  pages,
  shown,
  found,
  onTurn,
}: {
  document: PDFDocumentProxy
  pages: ReadFile['pages']
  shown: number
  /** Numbers of the pages with what is searched for; undefined while nothing is. */
  found: ReadonlySet<number> | undefined
  onTurn: (page: number) => void
}) {
  const room = useRef<HTMLDivElement>(null)
  const heightOf = (i: number) => Math.round((pages[i]!.height / pages[i]!.width) * WIDTH)
  const strip = useVirtualizer({
    count: pages.length,
    getScrollElement: () => room.current,
    estimateSize: (i) => heightOf(i) + GAP,
    overscan: 2,
  })
  useEffect(() => strip.scrollToIndex(shown - 1), [strip, shown])
  return (
    <Box
      ref={room}
      overflowY="auto"
      w="112px"
      flexShrink={0}
      borderRight="1px solid"
      borderColor="hair"
      hideBelow="lg"
    >
      <Box position="relative" h={`${strip.getTotalSize()}px`}>
        {strip.getVirtualItems().map(({ index, start }) => {
          const { number } = pages[index]!
          return (
            <Box
              key={number}
              position="absolute"
              top={`${start + 8}px`}
              left="12px"
              opacity={found && !found.has(number) ? 0.35 : 1}
            >
              <Thumb
                type="button"
                aria-label={`Turn to page ${number}`}
                aria-current={number === shown ? 'page' : undefined}
                onClick={() => onTurn(number)}
              >
                <Small document={document} number={number} height={heightOf(index)} />
              </Thumb>
            </Box>
          )
        })}
      </Box>
    </Box>
  )
}

function Small({ document, number, height }: { document: PDFDocumentProxy; number: number; height: number }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    let drawing: { cancel: () => void } | undefined
    let gone = false
    void document.getPage(number).then((page) => {
      if (gone || !canvas.current) return
      const scale = WIDTH / page.getViewport({ scale: 1 }).width
      const task = page.render({ canvas: canvas.current, viewport: page.getViewport({ scale }) })
      drawing = task
      // One that was scrolled past is called off, and drawn when it comes into sight again.
      task.promise.catch(() => undefined)
    })
    return () => {
      gone = true
      drawing?.cancel()
    }
  }, [document, number])
  return <canvas ref={canvas} width={WIDTH} height={height} style={{ display: 'block' }} />
}
