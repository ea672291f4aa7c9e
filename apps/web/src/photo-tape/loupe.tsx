import { Box, chakra } from '@chakra-ui/react'
import type { Pixel } from '@plumb-mark/core'
import type { Photo } from './use-tape.js'

const SIZE = 132
/** px of the screen to one of the photo: where a mark lies within a pixel can be seen. */
const LARGER = 4

/** What lies under the active pin, enlarged, beside the finger that covers it. */
export function Loupe({ photo, at }: { photo: Photo; at: Pixel | undefined }) {
  if (!at) return null
  return (
    <Box
      aria-hidden
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
        position="absolute"
        maxW="none"
        width={`${photo.width * LARGER}px`}
        left={`${SIZE / 2 - at.px * LARGER}px`}
        top={`${SIZE / 2 - at.py * LARGER}px`}
      />
      <chakra.svg viewBox="-66 -66 132 132" position="absolute" inset="0">
        <chakra.path d="M-60 0h54 M6 0h54 M0 -60v54 M0 6v54" stroke="white" strokeWidth="3px" opacity={0.7} />
        <chakra.path d="M-60 0h54 M6 0h54 M0 -60v54 M0 6v54" stroke="pinMark" strokeWidth="1.2px" />
      </chakra.svg>
    </Box>
  )
}
