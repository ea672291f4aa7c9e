import { arrangementOf } from './arrangement.js'
import { layOutGraph } from './graph-layout.js'

describe('the layout of a graph', () => {
  const sizes = { direction: 'TB' as const, node: { w: 100, h: 50 }, label: { w: 60, h: 30 } }
  const tied = (from: string, to: string) => ({ id: `${from}${to}`, from, to })
  const PARTS = [{ id: 'a' }, { id: 'b' }, { id: 'c' }]
  it('asks only who is tied to whom: a figure changes nothing', () => {
    const measured = [{ ...tied('a', 'b'), size: 16 }]
    expect(arrangementOf(PARTS, measured)).toBe(arrangementOf(PARTS, [tied('a', 'b')]))
    expect(arrangementOf(PARTS, measured)).not.toBe(arrangementOf(PARTS, [tied('b', 'a')]))
  })
  it('keeps every part and every tie in their order, none upon another', () => {
    const { nodes, edges, w, h } = layOutGraph(arrangementOf(PARTS, [tied('a', 'b'), tied('a', 'c')]), sizes)
    expect([nodes.map(({ id }) => id), edges.map(({ id }) => id)]).toEqual([
      ['a', 'b', 'c'],
      ['ab', 'ac'],
    ])
    for (const [i, one] of nodes.entries())
      for (const other of nodes.slice(i + 1))
        expect(Math.abs(one.x - other.x) >= 100 || Math.abs(one.y - other.y) >= 50).toBe(true)
    for (const { x, y } of nodes) expect(x >= 50 && y >= 25 && x <= w - 50 && y <= h - 25).toBe(true)
  })
  it('draws two ties between the same parts, a ring, and what is tied to nothing', () => {
    const twice = [tied('a', 'b'), { ...tied('a', 'b'), id: 'second' }, tied('b', 'a')]
    const { edges, nodes } = layOutGraph(arrangementOf(PARTS, twice), sizes)
    expect([edges.length, nodes.length, edges.every(({ points }) => points.length > 1)]).toEqual([3, 3, true])
  })
  it('of nothing is empty', () =>
    expect(layOutGraph(arrangementOf([], []), sizes)).toMatchObject({ nodes: [], edges: [] }))
  it.each(['toString', 'constructor', '__proto__', 'hasOwnProperty'])(
    'draws a part whose id is "%s"',
    (id) => {
      const { nodes, edges } = layOutGraph(
        arrangementOf([{ id }, ...PARTS], [tied('a', id), { ...tied(id, 'b'), id }]),
        sizes,
      )
      expect(nodes.map((node) => node.id)).toEqual([id, 'a', 'b', 'c'])
      expect(edges.map((edge) => [edge.id, edge.points.length > 1])).toEqual([
        [`a${id}`, true],
        [id, true],
      ])
    },
  )
})
