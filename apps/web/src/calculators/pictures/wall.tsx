import { Box } from '@chakra-ui/react'
import { useMemo } from 'react'
import {
  clearanceInput,
  clearanceOf,
  wallDrawing,
  type ClearanceInput,
  type WallDrawing,
} from '@plumb-mark/core'
import { ReworkGhosts } from '../../ui/drawings/rework-ghosts.js'
import { WallElevation } from '../../ui/drawings/wall-elevation.js'
import type { PictureProps } from '../../ui/drawings/props.js'

function drawn(input: ClearanceInput): WallDrawing {
  const given = clearanceInput.read(input, '')
  const { leftCorner, rightCorner, width, height } = given.wall
  const wall = {
    id: 'wall',
    title: 'Wall',
    leftCorner,
    rightCorner,
    width,
    height,
    uncertainty: given.uncertainty,
    obstructions: [],
    gaps: [],
  }
  return wallDrawing({ wall, input: given, result: clearanceOf(given) }, (id) => id)
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
  return (
    <Box display="flex" minH="300px" maxH="420px">
      <WallElevation drawing={drawing} chosen={undefined} onChoose={NOTHING}>
        <ReworkGhosts drawing={drawing} moves={result.moves} />
      </WallElevation>
    </Box>
  )
}
