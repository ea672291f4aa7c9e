import {
  PART_WORDS,
  formatNumber,
  formatQuantity,
  mayCarry,
  unitsOf,
  type ConductorLoad,
  type Inspection,
} from '@plumb-mark/core'
import { arrangementOf } from './arrangement.js'
import { layOutGraph } from './graph-layout.js'
import { BLUE, FAINT, INK, OXIDE, PAPER, drawing, n, words } from './svg.js'

const NODE = { w: 136, h: 38 }
const LABEL = { w: 104, h: 26 }

/** The one-line diagram: each part with its rating, each cable with its size and what it carries of what it may. */
export function oneLineSvg({ context, checks, state }: Inspection): { svg: string; h: number } {
  const { parts, conductors } = context.asBuilt.network
  const school = state.header?.school ?? 'iec'
  const { size: gauge } = unitsOf(state.header)
  const loads = new Map(context.loads().map((load) => [load.conductor.id, load]))
  const failing = new Set(
    checks.flatMap(({ check: { subject }, outcome }) =>
      outcome.verdict === 'does-not-conform' ? [subject.conductor?.id ?? subject.part?.id ?? ''] : [],
    ),
  )
  const layout = layOutGraph(arrangementOf(parts, conductors), { direction: 'TB', node: NODE, label: LABEL })
  const cables = conductors.flatMap((cable) => {
    const run = layout.edges.find(({ id }) => id === cable.id)
    if (!run) return []
    const load = loads.get(cable.id)
    const colour = failing.has(cable.id) ? OXIDE : INK
    // Beside the last straight piece: where a run bends, words would lie on it.
    const [before, end] = run.points.slice(-2) as [Point, Point]
    const middle = { x: (before.x + end.x) / 2, y: (before.y + end.y) / 2 }
    return [
      `<path d="M${run.points.map(({ x, y }) => `${n(x)} ${n(y)}`).join(' L')}" fill="none" stroke="${colour}" stroke-width="${(load?.sources.length ?? 0) > 1 ? 3.4 : 1.6}"/>`,
      words(
        middle.x + 8,
        middle.y - 2,
        cable.size === undefined ? 'size?' : formatQuantity(cable.size, 'conductor-size', { unit: gauge }),
        {
          size: 9.2,
          fill: colour,
        },
      ),
      words(middle.x + 8, middle.y + 9, carried(load, school), {
        size: 9.2,
        fill: failing.has(cable.id) ? OXIDE : FAINT,
      }),
    ]
  })
  const boxes = parts.flatMap((part) => {
    const at = layout.nodes.find(({ id }) => id === part.id)
    if (!at) return []
    const rated = part.rating ?? part.source
    const second = [
      PART_WORDS[part.kind],
      rated === undefined ? '' : `${formatNumber(rated, 0)} A`,
      part.residual && part.residual !== 'none' ? `RCD ${part.residual}` : '',
    ].filter(Boolean)
    const colour = failing.has(part.id) ? OXIDE : BLUE
    return [
      `<rect x="${n(at.x - NODE.w / 2)}" y="${n(at.y - NODE.h / 2)}" width="${NODE.w}" height="${NODE.h}" rx="4" fill="${PAPER}" stroke="${colour}" stroke-width="1.4"/>`,
      words(at.x, at.y - 3, short(part.label), { size: 10, anchor: 'middle', bold: true }),
      words(at.x, at.y + 11, second.join(' · '), { size: 9.2, anchor: 'middle', fill: FAINT }),
    ]
  })
  return {
    svg: drawing(0, 0, layout.w, layout.h, [...cables, ...boxes]),
    h: layout.h,
  }
}

type Point = { x: number; y: number }

/** “31.2 / 44 A”: what a cable carries, and what it may. */
function carried(load: ConductorLoad | undefined, school: 'iec' | 'nec'): string {
  if (!load || load.sources.length === 0) return 'not fed'
  const may = mayCarry(load, { school })
  return `${formatNumber(load.carries, 1)}${may === undefined ? '' : ` / ${formatNumber(may, 0)}`} A`
}

const MOST_LETTERS = 22
const short = (label: string): string =>
  label.length <= MOST_LETTERS ? label : `${label.slice(0, MOST_LETTERS - 1)}…`
