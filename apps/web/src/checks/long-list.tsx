import { Box } from '@chakra-ui/react'
import { useVirtualizer, useWindowVirtualizer, type Virtualizer } from '@tanstack/react-virtual'
import { useEffect, useState, type ReactNode } from 'react'
import { useMedia } from '../ui/use-media.js'

interface Props {
  count: number
  keyOf: (i: number) => string
  draw: (i: number) => ReactNode
  /** The row that must be drawn wherever the list stands: the open check. */
  open: number
}

/** What a closed row takes, px: others are measured once they are drawn. */
const USUAL_ROW = 50
const BEYOND = 12
/** What the head of the stage covers of the pane, px. */
const HEAD = 190

/** Where the workspace has three columns the list scrolls by itself, else with the page. */
const WIDE = '(min-width: 62em)'

/** A list of hundreds of rows, of which only those in sight are drawn. */
export function LongList(props: Props) {
  const wide = useMedia(WIDE)
  return wide ? <InPane {...props} /> : <InPage {...props} />
}

function InPane({ count, keyOf, draw, open }: Props) {
  const [list, setList] = useState<HTMLDivElement | null>(null)
  const rows = useVirtualizer({
    count,
    getItemKey: keyOf,
    getScrollElement: () => list?.closest<HTMLElement>('[data-scrolls]') ?? null,
    estimateSize: () => USUAL_ROW,
    overscan: BEYOND,
    scrollPaddingStart: HEAD,
    scrollMargin: list?.offsetTop ?? 0,
  })
  return <Rows listRef={setList} rows={rows} draw={draw} open={open} />
}

function InPage({ count, keyOf, draw, open }: Props) {
  const [list, setList] = useState<HTMLDivElement | null>(null)
  const rows = useWindowVirtualizer({
    count,
    getItemKey: keyOf,
    estimateSize: () => USUAL_ROW,
    overscan: BEYOND,
    scrollMargin: list?.offsetTop ?? 0,
  })
  return <Rows listRef={setList} rows={rows} draw={draw} open={open} />
}

function Rows<S extends Element | Window>({
  listRef,
  rows,
  draw,
  open,
}: {
  listRef: (list: HTMLDivElement | null) => void
  rows: Virtualizer<S, Element>
  draw: (i: number) => ReactNode
  open: number
}) {
  useEffect(() => {
    if (open < 0) return
    const show = () => rows.scrollToIndex(open, { align: 'auto' })
    show()
    // Rows have their own height once they are drawn, and the picture above has its own by then.
    const again = setTimeout(show, 100)
    return () => clearTimeout(again)
    // Only another open check moves the list: it stays where it is while it is scrolled by hand.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [open])
  return (
    <Box ref={listRef} role="list" position="relative" h={`${rows.getTotalSize()}px`}>
      {rows.getVirtualItems().map(({ key, index, start }) => (
        <Box
          key={key}
          ref={rows.measureElement}
          data-index={index}
          role="listitem"
          position="absolute"
          top={0}
          left={0}
          w="100%"
          transform={`translateY(${start - rows.options.scrollMargin}px)`}
        >
          {draw(index)}
        </Box>
      ))}
    </Box>
  )
}
