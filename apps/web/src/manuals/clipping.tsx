import { Box } from '@chakra-ui/react'
import type { Clipping } from '@plumb-mark/core'

/** A cut-out of a page, with the place of the figure marked in it. */
export function ClippingPicture({
  clipping: { picture, area, box, page },
  title,
}: {
  clipping: Clipping
  title: string
}) {
  const [left, top, right, bottom] = area as [number, number, number, number]
  const share = (from: number, to: number, of: number) => `${(100 * (to - from)) / of}%`
  const [x0 = 0, y0 = 0, x1 = 0, y1 = 0] = box
  return (
    <Box position="relative" bg="white" maxW="900px">
      <img
        src={picture}
        alt={`Page ${page} of the manual: ${title}`}
        style={{ width: '100%', display: 'block', aspectRatio: `${right - left} / ${bottom - top}` }}
      />
      <Box
        position="absolute"
        pointerEvents="none"
        borderBottom="2px solid"
        borderColor="pinMark"
        bg="rgb(220 182 95 / 0.2)"
        left={share(left, x0, right - left)}
        top={share(top, y0, bottom - top)}
        w={share(x0, x1, right - left)}
        h={share(y0, y1, bottom - top)}
      />
    </Box>
  )
}
