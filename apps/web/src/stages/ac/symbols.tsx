import type { PartKind } from '@plumb-mark/core'
import { shape } from '../../ui/drawings/shape.js'

/** Plain drawings of our own for what stands on a one-line diagram, within 30 by 24. */
const SHAPES: Record<PartKind, React.ReactNode> = {
  grid: <path d="M-12 10 L0 -11 L12 10 M-8 3 H8 M-4 -4 H4" />,
  meter: (
    <>
      <circle r="11" />
      <path d="M-6 4 L5 -5" />
    </>
  ),
  board: <path d="M-14 -3 H14 M-9 -3 V10 M0 -3 V10 M9 -3 V10" strokeWidth="2.6" />,
  device: <path d="M-14 0 H-6 M6 0 H14 M-6 -5 H6 V5 H-6 Z" />,
  isolator: <path d="M-14 4 H-6 L8 -8 M8 4 H14 M-6 4 m-1.5 0 a1.5 1.5 0 1 0 3 0 a1.5 1.5 0 1 0 -3 0" />,
  gateway: <path d="M-14 6 H-4 M4 -6 H14 M4 8 H14 M-4 6 L4 -6" />,
  inverter: <path d="M-12 -10 H12 V10 H-12 Z M-12 10 L12 -10 M-8 -5 H-2 M2 6 q2.5 -4 5 0 t5 0" />,
  battery: <path d="M-8 -10 V10 M-2 -5 V5 M4 -10 V10 M10 -5 V5" strokeWidth="2.4" />,
  generation: (
    <>
      <circle r="11" />
      <path d="M-6 1 q3 -6 6 0 t6 0" />
    </>
  ),
  load: <path d="M-10 -8 H10 L0 10 Z" />,
}

export function Symbol({ kind, x, y }: { kind: PartKind; x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <shape.g fill="none" stroke="text" strokeWidth="1.7px" strokeLinejoin="round" aria-hidden>
        {SHAPES[kind]}
      </shape.g>
    </g>
  )
}
