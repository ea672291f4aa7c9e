import { Box } from '@chakra-ui/react'
import { useMemo, type ReactNode } from 'react'
import { wallDrawing, type MeasuredWall, type WallDrawing } from '@plumb-mark/core'
import { namesIn, wallsOf, type Scenario } from '@plumb-mark/practice'
import { WallElevation } from '../../ui/drawings/wall-elevation.js'

const NOTHING = () => undefined

export interface WallThere {
  wall: MeasuredWall
  drawing: WallDrawing
  labelOf: (id: string) => string
}

/** A wall with everything where it really is, and without a figure or a verdict on it. */
export const useWallThere = (scenario: Scenario, wallId: string): WallThere =>
  useMemo(() => {
    const names = namesIn(scenario.entries)
    const labelOf = (id: string) => names.get(id) ?? id
    const wall = wallsOf(scenario).find((one) => one.wall.id === wallId)!
    const drawn = wallDrawing(wall, labelOf)
    const items = drawn.items.map((item) => ({ ...item, verdict: 'not-inspected' as const }))
    return { wall, labelOf, drawing: { ...drawn, items, envelopes: [], dimensions: [] } }
  }, [scenario, wallId])

export function BareWall({ scenario, wallId }: { scenario: Scenario; wallId: string }) {
  const { drawing } = useWallThere(scenario, wallId)
  return <DrawnWall drawing={drawing} h="200px" />
}

export function DrawnWall({
  drawing,
  h,
  children,
}: {
  drawing: WallDrawing
  h: string | Record<string, string>
  children?: ReactNode
}) {
  return (
    <Box display="flex" h={h} mt="6px">
      <WallElevation drawing={drawing} chosen={undefined} onChoose={NOTHING}>
        {children}
      </WallElevation>
    </Box>
  )
}
