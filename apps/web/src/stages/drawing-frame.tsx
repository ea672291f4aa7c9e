import { Box, chakra } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { PanZoom } from '../ui/pan-zoom.js'
import { SubTitle } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** The head of a picture in which things are entered: its name and what can be done with it. */
export function PictureHead({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <Cluster gap="6px">
      <SubTitle flex="1">{title}</SubTitle>
      {children}
    </Cluster>
  )
}

/** A drawing of given size that is moved and enlarged within its frame. */
export function DrawingFrame({
  title,
  w,
  h,
  minH,
  maxW,
  children,
}: {
  title: string
  w: number
  h: number
  minH: { base: string; lg: string }
  maxW?: string
  children: ReactNode
}) {
  return (
    <Box flex="1" minH={minH} display="flex">
      <PanZoom label={`${title}, to move and enlarge`}>
        <chakra.svg
          viewBox={`0 0 ${w} ${h}`}
          w="100%"
          mx="auto"
          flex="1"
          minH={0}
          preserveAspectRatio="xMidYMid meet"
          role="group"
          aria-label={title}
          fontFamily="body"
          {...(maxW && { maxW })}
        >
          {children}
        </chakra.svg>
      </PanZoom>
    </Box>
  )
}
