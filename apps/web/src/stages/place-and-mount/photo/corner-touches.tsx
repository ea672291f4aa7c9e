import { useRef, useState } from 'react'
import type { Place, TouchedCorners } from '@plumb-mark/core'
import { shape } from '../../../ui/drawings/shape.js'

/** A finger hits the pixel that it means, or the next. */
const HIT_PX = 1.5

/** Takes two touches on the wall as opposite corners of a thing; what is between them is shown while it grows. */
export function CornerTouches({
  bounds: { x0, y0, x1, y1 },
  corners,
  onCorners,
}: {
  bounds: { x0: number; y0: number; x1: number; y1: number }
  corners: TouchedCorners | undefined
  onCorners: (corners: TouchedCorners) => void
}) {
  const [one, setOne] = useState<Place>()
  const [under, setUnder] = useState<Place>()
  const area = useRef<SVGRectElement>(null)
  const at = ({ clientX, clientY }: { clientX: number; clientY: number }): Place => {
    const on = new DOMPoint(clientX, clientY).matrixTransform(area.current!.getScreenCTM()!.inverse())
    return { x: on.x, y: -on.y }
  }
  const touch = (event: React.MouseEvent) => {
    const place = at(event)
    if (!one) return setOne(place)
    setOne(undefined)
    setUnder(undefined)
    onCorners({ one, other: place, hitTo: HIT_PX / (area.current!.getScreenCTM()?.a ?? 1) })
  }
  const shown = one && under ? { one, other: under } : corners
  return (
    <g>
      {shown && <Between {...shown} />}
      {one && (
        <shape.circle cx={one.x} cy={-one.y} r="14" fill="pinLength" stroke="white" strokeWidth="5px" />
      )}
      <rect
        ref={area}
        data-drag
        x={x0}
        y={-y1}
        width={x1 - x0}
        height={y1 - y0}
        fill="transparent"
        style={{ cursor: 'crosshair' }}
        onClick={touch}
        onPointerMove={(event) => one && setUnder(at(event))}
      />
    </g>
  )
}

function Between({ one, other }: Pick<TouchedCorners, 'one' | 'other'>) {
  return (
    <shape.rect
      x={Math.min(one.x, other.x)}
      y={-Math.max(one.y, other.y)}
      width={Math.abs(other.x - one.x)}
      height={Math.abs(other.y - one.y)}
      fill="none"
      stroke="pinLength"
      strokeWidth="8px"
      strokeDasharray="30 16"
    />
  )
}
