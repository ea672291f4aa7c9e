import { Box, Flex } from '@chakra-ui/react'
import { useGesture } from '@use-gesture/react'
import { Maximize2, Minus, Plus } from 'lucide-react'
import { memo, useCallback, useEffect, useRef, useState, type ReactNode } from 'react'
import { IconButton } from './buttons.js'

const LEAST = 1
const MOST = 8
const STEP = 1.5

interface View {
  x: number
  y: number
  scale: number
}

/**
 * A picture that is moved with one finger and made larger with two, or with the wheel and the buttons. The move goes straight to the
 * element's transform: nothing is drawn again. Touches on a `[data-drag]` thing are that thing's own.
 */
export function PanZoom({
  children,
  label,
  onScale,
}: {
  children: ReactNode
  label: string
  onScale?: (scale: number) => void
}) {
  const frame = useRef<HTMLDivElement>(null)
  const content = useRef<HTMLDivElement>(null)
  const view = useRef<View>({ x: 0, y: 0, scale: 1 })
  const [zoomed, setZoomed] = useState(false)

  const show = useCallback(
    (next: View) => {
      const { clientWidth: w = 0, clientHeight: h = 0 } = frame.current ?? {}
      const scale = Math.min(MOST, Math.max(LEAST, next.scale))
      // The picture may not leave its frame.
      view.current = { scale, x: clamp(next.x, w * (1 - scale), 0), y: clamp(next.y, h * (1 - scale), 0) }
      if (content.current)
        content.current.style.transform = `translate(${view.current.x}px, ${view.current.y}px) scale(${scale})`
      setZoomed(scale > 1.001)
      onScale?.(scale)
    },
    [onScale],
  )
  const zoomAt = useCallback(
    (factor: number, px?: number, py?: number) => {
      const { clientWidth: w = 0, clientHeight: h = 0 } = frame.current ?? {}
      const [cx, cy] = [px ?? w / 2, py ?? h / 2]
      const { x, y, scale } = view.current
      const next = Math.min(MOST, Math.max(LEAST, scale * factor))
      show({ scale: next, x: cx - ((cx - x) * next) / scale, y: cy - ((cy - y) * next) / scale })
    },
    [show],
  )
  const whole = useCallback(() => show({ x: 0, y: 0, scale: 1 }), [show])
  useGesture(
    {
      onDrag({ delta: [dx, dy], event, cancel, pinching, first, last }) {
        if (pinching || (first && (event.target as Element).closest('[data-drag]'))) return cancel()
        // While it moves it is a layer of its own; at rest it is drawn sharp again.
        if (first) content.current!.style.willChange = 'transform'
        if (last) content.current!.style.willChange = ''
        show({ ...view.current, x: view.current.x + dx, y: view.current.y + dy })
      },
      onPinch({ origin: [ox, oy], movement: [ratio], first, memo }) {
        const start = first ? view.current.scale : (memo as number)
        const box = frame.current!.getBoundingClientRect()
        zoomAt((start * ratio) / view.current.scale, ox - box.left, oy - box.top)
        return start
      },
      onWheel({ event, delta: [, dy] }) {
        if (!event.ctrlKey && !event.metaKey && view.current.scale <= 1) return
        event.preventDefault()
        const box = frame.current!.getBoundingClientRect()
        zoomAt(Math.exp(-dy / 300), event.clientX - box.left, event.clientY - box.top)
      },
    },
    { target: frame, drag: { filterTaps: true, threshold: 4 }, eventOptions: { passive: false } },
  )
  useEffect(() => {
    const refit = () => show(view.current)
    window.addEventListener('resize', refit)
    return () => window.removeEventListener('resize', refit)
  }, [show])
  return (
    <Flex direction="column" flex="1" minH={0} minW={0} position="relative" role="group" aria-label={label}>
      <Box
        ref={frame}
        flex="1"
        minH={0}
        display="flex"
        overflow="hidden"
        css={{ touchAction: zoomed ? 'none' : 'pan-y' }}
      >
        <Box ref={content} flex="1" minW={0} minH={0} display="flex" transformOrigin="0 0">
          {children}
        </Box>
      </Box>
      <Controls zoomed={zoomed} onZoom={zoomAt} onWhole={whole} />
    </Flex>
  )
}

/** Drawn again only when it is zoomed, not with every change of the picture. */
const Controls = memo(function Controls({
  zoomed,
  onZoom,
  onWhole,
}: {
  zoomed: boolean
  onZoom: (factor: number) => void
  onWhole: () => void
}) {
  return (
    <Flex
      position="absolute"
      right="0"
      bottom="0"
      gap="2px"
      bg="panel"
      borderRadius="4px"
      opacity={0.94}
      _print={{ display: 'none' }}
    >
      <IconButton onClick={() => onZoom(STEP)} aria-label="Larger">
        <Plus size={19} />
      </IconButton>
      <IconButton onClick={() => onZoom(1 / STEP)} aria-label="Smaller" disabled={!zoomed}>
        <Minus size={19} />
      </IconButton>
      <IconButton onClick={onWhole} aria-label="The whole picture" disabled={!zoomed}>
        <Maximize2 size={17} />
      </IconButton>
    </Flex>
  )
})

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))
