import { chakra } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { shape } from './drawings/shape.js'

/** A cover as it is drawn, in the units of its picture. */
export const COVER = { w: 320, h: 250 }
/** Room around the bolts: below each of them there is something to read. */
const INSET = { x: 48, top: 44, bottom: 62 }

/** Where a bolt sits, by what its sheet says, from 0 to 1; without that they stand in a row. */
export const boltAt = (
  { x, y }: { x?: number | undefined; y?: number | undefined },
  i: number,
  of: number,
): [x: number, y: number] => [
  INSET.x + (x ?? (i + 0.5) / of) * (COVER.w - 2 * INSET.x),
  INSET.top + (y ?? 0.5) * (COVER.h - INSET.top - INSET.bottom),
]

/** The cover itself; its bolts are drawn on it. */
export function Cover({
  label,
  maxW,
  picture = false,
  children,
}: {
  label: string
  maxW: string
  /** Only to be looked at. */
  picture?: boolean
  children: ReactNode
}) {
  return (
    <chakra.svg
      viewBox={`0 0 ${COVER.w} ${COVER.h}`}
      w="100%"
      maxW={maxW}
      role={picture ? 'img' : 'group'}
      aria-label={label}
    >
      <shape.rect
        x="14"
        y="14"
        width={COVER.w - 28}
        height={COVER.h - 28}
        rx="14"
        fill={picture ? 'sunk' : 'paper'}
        stroke="text"
        strokeWidth="2px"
      />
      {children}
    </chakra.svg>
  )
}
