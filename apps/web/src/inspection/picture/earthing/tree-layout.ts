import dagre from '@dagrejs/dagre'
import type { EarthBuilt } from '@plumb-mark/core'

export interface TreeLayout {
  w: number
  h: number
  parts: { id: string; x: number; y: number; w: number; h: number }[]
  bonds: { id: string; points: { x: number; y: number }[] }[]
}

const NODE = { w: 164, h: 52 }

/** Frames and units above, the main earth terminal at the foot: a layered drawing of who is bonded to whom. */
export function layOutTree({ parts, bonds }: EarthBuilt): TreeLayout {
  const graph = new dagre.graphlib.Graph({ multigraph: true })
  graph.setGraph({ rankdir: 'TB', nodesep: 14, ranksep: 62, marginx: 10, marginy: 10 })
  graph.setDefaultEdgeLabel(() => ({}))
  for (const { id } of parts) graph.setNode(id, { width: NODE.w, height: NODE.h })
  for (const { id, from, to } of bonds) graph.setEdge(from, to, { width: 116, height: 34, labelpos: 'r' }, id)
  dagre.layout(graph)
  const { width = 0, height = 0 } = graph.graph()
  return {
    w: width,
    h: height,
    parts: parts.map(({ id }) => {
      const { x, y } = graph.node(id)
      return { id, x, y, ...NODE }
    }),
    bonds: bonds.map(({ id, from, to }) => ({ id, points: graph.edge(from, to, id).points })),
  }
}
