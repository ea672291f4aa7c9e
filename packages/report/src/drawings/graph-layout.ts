import dagre from '@dagrejs/dagre'
import type { Edge } from './arrangement.js'

export interface GraphLayout {
  w: number
  h: number
  nodes: { id: string; x: number; y: number; w: number; h: number }[]
  edges: { id: string; points: { x: number; y: number }[] }[]
}

/** A layered drawing of who is tied to whom, from the top down or from left to right. */
export function layOutGraph(
  arrangement: string,
  {
    direction,
    node,
    label,
  }: { direction: 'TB' | 'LR'; node: { w: number; h: number }; label: { w: number; h: number } },
): GraphLayout {
  const { nodes, edges } = JSON.parse(arrangement) as { nodes: { id: string }[]; edges: Edge[] }
  const graph = new dagre.graphlib.Graph({ multigraph: true })
  graph.setGraph({
    rankdir: direction,
    nodesep: direction === 'TB' ? 14 : 26,
    ranksep: direction === 'TB' ? label.h + 8 : 28,
    marginx: 10,
    marginy: 10,
  })
  graph.setDefaultEdgeLabel(() => ({}))
  // Parts go in by their number: the library keeps names as keys of plain objects, where an id like "toString" is already known.
  const numbered = new Map(nodes.map(({ id }, i) => [id, `n${i}`]))
  const keyOf = (id: string) => String(numbered.get(id))
  for (const { id } of nodes) graph.setNode(keyOf(id), { width: node.w, height: node.h })
  edges.forEach(({ from, to }, i) =>
    graph.setEdge(
      keyOf(from),
      keyOf(to),
      { width: label.w, height: label.h, labelpos: direction === 'TB' ? 'r' : 'c' },
      `e${i}`,
    ),
  )
  // Parts stay in the order in which they were entered: quicker, and what is drawn does not jump about.
  dagre.layout(graph, { disableOptimalOrderHeuristic: true })
  const { width = 0, height = 0 } = graph.graph()
  return {
    w: width,
    h: height,
    nodes: nodes.map(({ id }) => {
      const { x, y } = graph.node(keyOf(id))
      return { id, x, y, ...node }
    }),
    edges: edges.map(({ id, from, to }, i) => ({
      id,
      points: graph.edge(keyOf(from), keyOf(to), `e${i}`).points,
    })),
  }
}
