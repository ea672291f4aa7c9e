import {
  formatNumber,
  phaseCurrents,
  type CtPhasingInput,
  type CtPhasingResult,
  type Phasor,
} from '@plumb-mark/core'
import { FAINT, drawing, n, seriesColour, words } from './svg.js'

const SIZE = 240
const REACH = SIZE / 2 - 34

/** Voltages and currents of each phase, as they should be beside as the readings say that they are wired. Angles run against the clock. */
export function phasorsSvg({ voltages, truth }: CtPhasingInput, { best, status }: CtPhasingResult): string {
  const { flowing, seen } = phaseCurrents({ voltages, truth }, best)
  return drawing(0, 0, 2 * SIZE + 30, SIZE + 22, [
    star(SIZE / 2, 'as they should be', voltages, flowing),
    star(SIZE * 1.5 + 30, status === 'unexplained' ? 'nearest wiring' : 'as they are wired', voltages, seen),
  ])
}

function star(cx: number, title: string, voltages: readonly Phasor[], currents: readonly Phasor[]): string {
  const volt = Math.max(...voltages.map(({ magnitude }) => magnitude))
  const largest = Math.max(...currents.map(({ magnitude }) => magnitude), 1e-9)
  return [
    `<g transform="translate(${n(cx)} ${SIZE / 2})">`,
    `<circle r="${SIZE / 2 - 4}" fill="none" stroke="${FAINT}" stroke-width="0.6"/>`,
    ...voltages.map(({ magnitude, angle }, i) =>
      arrow(angle, (magnitude / volt) * REACH, seriesColour(i), `U${i + 1}`, true),
    ),
    ...currents.map(({ magnitude, angle }, i) =>
      arrow(
        angle,
        20 + (magnitude / largest) * (REACH - 46),
        seriesColour(i),
        `I${i + 1} ${formatNumber(magnitude, 1)} A`,
        false,
      ),
    ),
    words(0, SIZE / 2 + 16, title, { size: 12, anchor: 'middle', fill: FAINT }),
    '</g>',
  ].join('')
}

function arrow(angle: number, length: number, colour: string, label: string, thin: boolean): string {
  const turn = (angle * Math.PI) / 180
  const at = (by: number, swing = 0) => [by * Math.cos(turn + swing), -by * Math.sin(turn + swing)] as const
  const [x, y] = at(length)
  const head = (swing: number) => `${n(x - 9 * Math.cos(turn + swing))} ${n(y + 9 * Math.sin(turn + swing))}`
  // Voltages are named outside of their tips, currents on the other side of their arrow: neither lies on the other.
  const [lx, ly] = thin ? at(length + 14) : at(length * 0.72, -26 / Math.max(26, length * 0.72))
  return [
    `<path d="M0 0 L${n(x)} ${n(y)} M${head(0.4)} L${n(x)} ${n(y)} L${head(-0.4)}" fill="none" stroke="${colour}" stroke-width="${thin ? 1.2 : 3}"${thin ? ' stroke-dasharray="4 3"' : ''}/>`,
    words(lx, ly + 4, label, { size: 11, anchor: 'middle', fill: colour }),
  ].join('')
}
