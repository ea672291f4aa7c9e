import dagre from '@dagrejs/dagre'
import {
  guessMapping,
  inspect,
  judgeNetworkConductor,
  networkLoads,
  readSheet,
  readTesterTable,
} from '../packages/core/dist/index.js'
import { fold } from '../packages/core/dist/index.js'
import { measured, ms, table } from './reference.mjs'

/** The one-line model with 200 parts, and a tester's file with 1 000 rows. */
export function run() {
  const network = largeNetwork(200)
  const strings = largeStrings(1000)
  const headers = Object.keys(strings.rows[0])
  const judge = () =>
    networkLoads(network).map((load) => judgeNetworkConductor(load, { school: 'iec', maxDropPercent: 3 }))
  table([
    [
      'one-line model of 200 parts: a figure typed, judged, layout kept',
      ms(measured(judge, 15)),
      'under 50 ms',
    ],
    [
      'the same opened or rearranged: laid out and judged',
      ms(measured(() => (layOut(network), judge()), 15)),
      'no goal',
    ],
    [
      'tester file of 1 000 rows: read, its 2 000 readings judged',
      ms(
        measured(
          () => readTesterTable(strings.rows, guessMapping(headers), strings.checks, { decimal: 'point' }),
          15,
        ),
      ),
      'under 300 ms',
    ],
  ])
}

/** A board with sub-boards, breakers, inverters and loads, as a large site has them. */
function largeNetwork(parts) {
  const cable = (from, to) => ({
    id: `${from}-${to}`,
    from,
    to,
    phases: 3,
    voltage: 400,
    size: 16,
    length: 12,
    insulation: 'pvc',
    method: 'C',
    ambient: 30,
    grouped: 1,
  })
  const network = {
    parts: [
      { id: 'grid', label: 'Grid', kind: 'grid', source: 400 },
      { id: 'board', label: 'Board', kind: 'board' },
    ],
    conductors: [cable('grid', 'board')],
  }
  for (let i = 0; network.parts.length < parts; i++) {
    const branch = [
      { id: `q${i}`, kind: 'device', rating: 40 },
      { id: `s${i}`, kind: 'board' },
      { id: `b${i}`, kind: 'device', rating: 25 },
      i % 2 ? { id: `i${i}`, kind: 'inverter', source: 16 } : { id: `i${i}`, kind: 'load' },
    ].slice(0, parts - network.parts.length)
    let from = 'board'
    for (const part of branch) {
      network.parts.push({ label: part.id, ...part })
      network.conductors.push(cable(from, part.id))
      from = part.id
    }
  }
  return network
}

function layOut({ parts, conductors }) {
  const graph = new dagre.graphlib.Graph({ multigraph: true })
  graph.setGraph({ rankdir: 'TB', nodesep: 14, ranksep: 38 })
  graph.setDefaultEdgeLabel(() => ({}))
  for (const { id } of parts) graph.setNode(id, { width: 122, height: 68 })
  for (const { id, from, to } of conductors)
    graph.setEdge(from, to, { width: 92, height: 30, labelpos: 'r' }, id)
  dagre.layout(graph, { disableOptimalOrderHeuristic: true })
}

function largeStrings(n) {
  const common = { stage: 'dc', clause: '1', severity: 'major', title: 'T', remedy: 'R' }
  const sheet = readSheet({
    format: 'plumb-mark-sheet',
    version: 1,
    maker: 'N',
    model: 'I',
    kind: 'string-inverter',
    title: 'I',
    revision: '1',
    date: '2026-01-01',
    source: 'none',
    requirements: [
      { ...common, id: 'voc', kind: 'string-open-circuit', max: '1000 V' },
      { ...common, id: 'iso', kind: 'insulation' },
    ],
  })
  const entry = (kind, body, i) => ({
    id: `e${i}`,
    jobId: 'j',
    kind,
    body,
    at: '2026-01-01T00:00:00Z',
    by: { id: 'i', name: 'I', role: 'inspector' },
    seq: i,
    prev: '',
    hash: '',
  })
  const module = { name: 'M', voc: 40, vocTempCoeff: -0.3, cellsInSeries: 60, bypassDiodes: 3 }
  const entries = [
    entry('unit-fitted', { id: 'u', label: 'U', sheetId: 'n-i-1' }, 1),
    ...Array.from({ length: n }, (_, i) =>
      entry(
        'string-built',
        { id: `s${i}`, label: `S${i}`, unitId: 'u', input: '1', count: 12, module },
        i + 2,
      ),
    ),
  ]
  return {
    checks: inspect(fold(entries), new Map([['n-i-1', sheet]])).checks,
    rows: Array.from({ length: n }, (_, i) => ({
      String: `S${i}`,
      Voc: `${470 + (i % 9)}.5`,
      'Insulation MOhm': '> 550',
      'Test V': '1000',
      'Cell temperature': '28',
      Irradiance: '640',
    })),
  }
}
