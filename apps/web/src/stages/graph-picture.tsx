import { Box, Button } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import { SmallPrint } from '../ui/theme/text.js'
import { TouchMark } from '../ui/touch-mark.js'
import { DrawingFrame, PictureHead } from './drawing-frame.js'
import { WholePicture } from './picture-part.js'
import { arrangementOf, type GraphLayout } from '@plumb-mark/report'
import { useWritable } from '../job/use-writable.js'
import { useGraphLayout } from './use-graph-layout.js'
import { Cluster } from '../ui/cluster.js'
import { shape } from '../ui/drawings/shape.js'

export type Chosen =
  { kind: 'node' | 'edge'; id: string } | { kind: 'new-node' | 'new-edge'; from?: string } | undefined

export interface Drawn {
  chosen: boolean
  onTouch: () => void
}
interface Tied {
  id: string
  from: string
  to: string
}

interface Props<N, E> {
  title: string
  actions?: ReactNode
  note?: string
  nodes: readonly N[]
  edges: readonly E[]
  sizes: { node: { w: number; h: number }; label: { w: number; h: number } }
  frame: { least: string; ends: boolean }
  /** What an edge is called: a bond, a cable. */
  edgeWord: string
  empty: ReactNode
  onTouchEdge: (edge: E) => void
  onTouchNode?: (node: N) => void
  drawNode: (node: N, place: GraphLayout['nodes'][number], drawn: Drawn) => ReactNode
  drawEdge: (edge: E, points: GraphLayout['edges'][number]['points'], drawn: Drawn) => ReactNode
  nodePanel: (node: N | undefined, choose: (next: Chosen) => void) => ReactNode
  edgePanel: (edge: E | undefined, from: string | undefined, choose: (next: Chosen) => void) => ReactNode
}

/** Room beneath the last parts, px: the buttons that enlarge the picture lie there, and on nothing else. */
const BENEATH = 52

/** Parts and what ties them, laid out by itself: touched to be changed, added to, undone. */
export function GraphPicture<N extends { id: string }, E extends Tied>({
  title,
  actions,
  note,
  nodes,
  edges,
  sizes,
  frame,
  edgeWord,
  empty,
  onTouchEdge,
  onTouchNode,
  drawNode,
  drawEdge,
  nodePanel,
  edgePanel,
}: Props<N, E>) {
  const writable = useWritable()
  const [chosen, choose] = useState<Chosen>()
  const layout = useGraphLayout(arrangementOf(nodes, edges), sizes)
  const isChosen = (kind: 'node' | 'edge', id: string) => chosen?.kind === kind && chosen.id === id
  const touchEdge = (edge: E) => {
    choose({ kind: 'edge', id: edge.id })
    onTouchEdge(edge)
  }
  const touchNode = (node: N) => {
    choose({ kind: 'node', id: node.id })
    onTouchNode?.(node)
  }
  return (
    <WholePicture>
      <PictureHead title={title}>{nodes.length > 0 && actions}</PictureHead>
      {nodes.length > 0 && note && <SmallPrint>{note}</SmallPrint>}
      {nodes.length === 0 && empty}
      {nodes.length > 0 && !layout && (
        <Box minH={frame.least} role="status" aria-label="The drawing is coming" />
      )}
      {nodes.length > 0 && layout && (
        <DrawingFrame
          title={title}
          w={layout.w}
          h={layout.h + BENEATH}
          minH={{
            base: frame.least,
            lg: frame.ends ? `min(${layout.h + BENEATH}px, calc(100dvh - 230px))` : frame.least,
          }}
          {...(frame.ends && { maxW: `${1.1 * layout.w}px` })}
        >
          {layout.edges.map(({ points }, i) =>
            drawEdge(edges[i]!, points, {
              chosen: isChosen('edge', edges[i]!.id),
              onTouch: () => touchEdge(edges[i]!),
            }),
          )}
          {layout.nodes.map((place, i) =>
            drawNode(nodes[i]!, place, {
              chosen: isChosen('node', place.id),
              onTouch: () => touchNode(nodes[i]!),
            }),
          )}
        </DrawingFrame>
      )}
      {writable && nodes.length > 0 && (
        <Cluster gap="6px" py="8px">
          <Button variant="outline" onClick={() => choose({ kind: 'new-node' })}>
            Add a part
          </Button>
          <Button variant="outline" onClick={() => choose({ kind: 'new-edge' })}>
            Add a {edgeWord}
          </Button>
        </Cluster>
      )}
      {chosen?.kind === 'edge' &&
        edgePanel(
          edges.find(({ id }) => id === chosen.id),
          undefined,
          choose,
        )}
      {chosen?.kind === 'new-edge' && edgePanel(undefined, chosen.from, choose)}
      {chosen?.kind === 'node' &&
        nodePanel(
          nodes.find(({ id }) => id === chosen.id),
          choose,
        )}
      {chosen?.kind === 'new-node' && nodePanel(undefined, choose)}
    </WholePicture>
  )
}

interface EdgeProps extends Drawn {
  label: string
  points: readonly { x: number; y: number }[]
  colour: string
  width: string
  dashed?: boolean
  /** The lines beside it, from the top. */
  lines: { text: string; mono?: boolean; strong?: boolean; colour?: string }[]
}

/** What ties two parts, with its words beside it, wide enough for a finger. */
export function GraphEdge({ label, points, colour, width, dashed, lines, chosen, onTouch }: EdgeProps) {
  const line = points.map(({ x, y }) => `${x},${y}`).join(' ')
  const middle = points[Math.floor(points.length / 2)]!
  const top = middle.y + besideStraight(points, middle.x)
  return (
    <TouchMark label={label} chosen={chosen} onTouch={onTouch}>
      <shape.polyline points={line} fill="none" stroke="transparent" strokeWidth="26px" />
      <shape.polyline
        points={line}
        fill="none"
        stroke={chosen ? 'accent' : colour}
        strokeWidth={chosen ? '5px' : width}
        strokeDasharray={dashed ? '3 5' : undefined}
      />
      {lines.map(({ text, mono, strong, colour: own = colour }, i) => (
        <shape.text
          key={i}
          x={middle.x + 8}
          y={top + 16 * i}
          fontSize="13px"
          mono={mono}
          fontWeight={strong ? 700 : 400}
          fill={own}
          stroke="sunk"
          strokeWidth="5px"
          style={{ paintOrder: 'stroke' }}
        >
          {text}
        </shape.text>
      ))}
    </TouchMark>
  )
}

/** Where a line comes in at a slant its words stand lower, where it goes out at one higher: beside the straight part. */
function besideStraight(points: readonly { x: number }[], x: number): number {
  const slants = (end: { x: number } | undefined) => Math.abs(end!.x - x) > 4
  return slants(points[0]) ? 9 : slants(points.at(-1)) ? -19 : -2
}

/** A name that fits its box; the whole stands in the label for the ear. */
export const shortened = (label: string, most: number) =>
  label.length > most ? `${label.slice(0, most - 1)}…` : label
