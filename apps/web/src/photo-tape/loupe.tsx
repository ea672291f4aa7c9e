import { Box, chakra } from '@chakra-ui/react'
import { useDrag } from '@use-gesture/react'
import type { Pixel } from '@plumb-mark/core'
import type { Photo, Pinned } from './use-tape.js'
import { shape } from '../ui/drawings/shape.js'

const SIZE = 132
/** px of the screen to one of the photo: where a mark lies within a pixel can be seen. */
const LARGER = 4

/** What lies under the active pin, enlarged, beside the finger that covers it; drawn along beneath the cross, it moves the pin finely. */
export function Loupe({
  photo,
  at,
  onMove,
}: {
  photo: Photo
  at: Pixel | undefined
  onMove: (to: Pinned) => void
}) {
  const drag = useDrag(({ delta: [dx, dy] }) => {
    if (at) onMove({ px: at.px - dx / LARGER, py: at.py - dy / LARGER, coarse: 1 / LARGER })
  })()
  if (!at) return null
  return (
    <Box
      {...drag}
      aria-hidden
      cursor="move"
      css={{ touchAction: 'none' }}
      position="relative"
      w={`${SIZE}px`}
      h={`${SIZE}px`}
      borderRadius="50%"
      overflow="hidden"
      border="2px solid"
      borderColor="accent"
      flexShrink={0}
      bg="sunk"
    >
      <chakra.img
        src={photo.address}
        alt=""
        draggable={false}
        position="absolute"
        maxW="none"
        width={`${photo.width * LARGER}px`}
        left={`${SIZE / 2 - at.px * LARGER}px`}
        top={`${SIZE / 2 - at.py * LARGER}px`}
      />
      <chakra.svg viewBox="-66 -66 132 132" position="absolute" inset="0">
        <shape.path d="M-60 0h54 M6 0h54 M0 -60v54 M0 6v54" stroke="white" strokeWidth="3px" opacity={0.7} />
        <shape.path d="M-60 0h54 M6 0h54 M0 -60v54 M0 6v54" stroke="pinMark" strokeWidth="1.2px" />
      </chakra.svg>
    </Box>
  )
}
