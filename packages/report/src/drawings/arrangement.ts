export interface Edge {
  id: string
  from: string
  to: string
}

/**
 * Who is tied to whom, and nothing else, as text: equal as long as only figures change, so that what is laid out by it is kept while a
 * rating is typed.
 */
export const arrangementOf = (nodes: readonly { id: string }[], edges: readonly Edge[]): string =>
  JSON.stringify({
    nodes: nodes.map(({ id }) => ({ id })),
    edges: edges.map(({ id, from, to }) => ({ id, from, to })),
  })
