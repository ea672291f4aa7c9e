import { Box, chakra } from '@chakra-ui/react'
import { useMemo } from 'react'
import { afterMoves, clearanceInput, clearanceOf, wallDrawing, type ClearanceInput, type WallDrawing } from '@plumb-mark/core'
import { WallElevation } from '../../inspection/picture/wall/wall-elevation.js'
import type { PictureProps } from './props.js'

function drawn(input: ClearanceInput): WallDrawing {
  const given = clearanceInput.read(input, '')
  const { leftCorner, rightCorner, width, height } = given.wall
  const wall = { id: 'wall', title: 'Wall', leftCorner, rightCorner, width, height, uncertainty: given.uncertainty, obstructions: [] }
  return wallDrawing({ wall, given, result: clearanceOf(given) }, (id) => id)
}

const NOTHING = () => {}

export function WallPicture({ input }: PictureProps) {
  const drawing = useMemo(() => drawn(input), [input])
  return (
    <Box display="flex" minH="300px" maxH="420px">
      <WallElevation drawing={drawing} chosen={undefined} onChoose={NOTHING} />
    </Box>
  )
}

/** The wall as it is, and the least rework as a ghost beside each unit that would have to move. */
export function ReworkPicture({ input, result }: PictureProps) {
  const drawing = useMemo(() => drawn(input), [input])
  const after = afterMoves(drawing.items, result.moves)
  const ghosts = after.filter((item) => result.moves.some((move: { id: string }) => move.id === item.id))
  return (
    <Box display="flex" minH="300px" maxH="420px">
      <WallElevation drawing={drawing} chosen={undefined} onChoose={NOTHING}>
        {ghosts.map(({ id, x, y, w, h, label }) => {
          const from = drawing.items.find((item) => item.id === id)!
          return (
            <g key={id} pointerEvents="none">
              <chakra.rect x={x} y={-y - h} width={w} height={h} fill="chalkWash" fillOpacity={0.6} stroke="chalk" strokeWidth="12px" strokeDasharray="36 22" />
              <chakra.path d={`M${from.x + w / 2} ${-from.y - h / 2} L${x + w / 2} ${-y - h / 2}`} stroke="chalk" strokeWidth="14px" />
              <chakra.text x={x + w / 2} y={-y - h - 30} textAnchor="middle" fontSize="80px" fontWeight={600} fill="chalk">
                {label} here
              </chakra.text>
            </g>
          )
        })}
      </WallElevation>
    </Box>
  )
}
