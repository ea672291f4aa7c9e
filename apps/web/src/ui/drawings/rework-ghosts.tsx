import { afterMoves, type Move, type WallDrawing } from '@plumb-mark/core'
import { shape } from './shape.js'

/** Each unit that would have to move, drawn where it would then hang. In millimetres of the wall. */
export function ReworkGhosts({ drawing, moves }: { drawing: WallDrawing; moves: readonly Move[] }) {
  const ghosts = afterMoves(drawing.items, moves).filter((item) => moves.some(({ id }) => id === item.id))
  return ghosts.map(({ id, x, y, w, h, label }) => {
    const from = drawing.items.find((item) => item.id === id)!
    return (
      <g key={id} pointerEvents="none">
        <shape.rect
          x={x}
          y={-y - h}
          width={w}
          height={h}
          fill="accentWash"
          fillOpacity={0.6}
          stroke="accent"
          strokeWidth="12px"
          strokeDasharray="36 22"
        />
        <shape.path
          d={`M${from.x + w / 2} ${-from.y - h / 2} L${x + w / 2} ${-y - h / 2}`}
          stroke="accent"
          strokeWidth="14px"
        />
        <shape.text
          x={x + w / 2}
          y={-y - h - 30}
          textAnchor="middle"
          fontSize="80px"
          fontWeight={600}
          fill="accent"
        >
          {label} here
        </shape.text>
      </g>
    )
  })
}
