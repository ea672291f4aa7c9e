import { Box, Button, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { formatQuantity } from '@plumb-mark/core'
import { edgesOf, taped, type Edge, type Scenario, type ThingFound } from '@plumb-mark/practice'
import { SmallPrint } from '../../ui/theme/text.js'
import { TouchMark } from '../../ui/touch-mark.js'
import { DrawnWall, useWallThere } from './bare-wall.js'
import { Cluster } from '../../ui/cluster.js'
import { shape } from '../../ui/drawings/shape.js'

/** As wide as a finger meets it, mm on the wall. */
const TOUCHED = 90

/** The wall as it really is, without a figure on it: the tape goes from one edge that is touched to another. */
export function WallWithTape({
  scenario,
  unit,
}: {
  scenario: Scenario
  unit: ThingFound & { kind: 'unit-fitted' }
}) {
  const { wall, drawing, labelOf } = useWallThere(scenario, unit.body.place!.wallId)
  const edges = useMemo(() => edgesOf(wall, labelOf), [wall, labelOf])
  const [held, hold] = useState<Edge[]>([])
  const [a, b] = held
  const length = a && b && taped(a, b, scenario.seed)
  const touch = (edge: Edge) => hold(held.length === 1 ? [...held, edge] : [edge])
  return (
    <Box mt="10px">
      <SmallPrint>Touch two edges: the tape goes from one to the other.</SmallPrint>
      <DrawnWall drawing={drawing} h={{ base: '280px', md: '380px' }}>
        {edges.map((edge) => (
          <EdgeMark key={edge.id} edge={edge} held={held.includes(edge)} onTouch={() => touch(edge)} />
        ))}
        {a && b && a.upright === b.upright && <Tape a={a} b={b} />}
      </DrawnWall>
      <Cluster minH="48px" role="status">
        <Text fontFamily="mono" fontSize="26px">
          {length === undefined ? '—' : formatQuantity(length, 'length', { decimals: 0 })}
        </Text>
        <SmallPrint>{saidOf(a, b)}</SmallPrint>
        {a && (
          <Button variant="plain" onClick={() => hold([])}>
            Let go
          </Button>
        )}
      </Cluster>
    </Box>
  )
}

function saidOf(a: Edge | undefined, b: Edge | undefined): string {
  if (!a) return 'nothing held yet'
  if (!b) return `from the ${a.label} to …`
  if (a.upright !== b.upright) return 'a tape runs across or up, not from an upright edge to a level one'
  return `from the ${a.label} to the ${b.label}`
}

function EdgeMark({ edge, held, onTouch }: { edge: Edge; held: boolean; onTouch: () => void }) {
  const { upright, at, from, to, label } = edge
  const d = upright ? `M${at} ${-from} V${-to}` : `M${from} ${-at} H${to}`
  return (
    <TouchMark label={label} chosen={held} onTouch={onTouch}>
      <shape.path d={d} stroke="transparent" strokeWidth={`${TOUCHED}px`} pointerEvents="stroke" />
      {held && <shape.path d={d} stroke="accent" strokeWidth="26px" />}
    </TouchMark>
  )
}

/** Across or up, through the middle of where the second edge runs. */
function Tape({ a, b }: { a: Edge; b: Edge }) {
  const along = (b.from + b.to) / 2
  const d = b.upright ? `M${a.at} ${-along} H${b.at}` : `M${along} ${-a.at} V${-b.at}`
  return (
    <shape.path d={d} stroke="unproven" strokeWidth="22px" strokeDasharray="60 16" pointerEvents="none" />
  )
}
