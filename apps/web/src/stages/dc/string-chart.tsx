import {
  Bar,
  ComposedChart,
  DefaultZIndexes,
  ReferenceLine,
  XAxis,
  YAxis,
  ZIndexLayer,
  useXAxisScale,
  useYAxisScale,
} from 'recharts'
import { endOfVoltages, formatNumber, volts, type StringOnChart } from '@plumb-mark/core'
import { TouchMark } from '../../ui/touch-mark.js'
import { verdictColour } from '../../ui/verdict-mark.js'
import { useFocus } from '../../job/focus.js'
import { ROW } from './string-row.js'
import { MONO, ink } from '../../ui/theme/colours.js'

/** How far beneath the middle of its row a string's voltage at the maximum power point is drawn. */
const UNDER = 25

/** The chart of the strings alone, with the library that draws it. */
export function StringChart({ rows }: { rows: readonly StringOnChart[] }) {
  const openCheck = useFocus((focus) => focus.openCheck)
  const limit = Math.max(...rows.map((row) => row.limit))
  return (
    <ComposedChart
      responsive
      style={{ width: '100%', height: '100%' }}
      layout="vertical"
      data={rows}
      margin={{ top: 16, right: 26, bottom: 4, left: 4 }}
      accessibilityLayer={false}
    >
      <XAxis
        type="number"
        domain={[0, endOfVoltages(rows)]}
        unit=" V"
        stroke={ink('faint')}
        ticks={[0, 1, 2, 3, 4].map((quarter) => (quarter * limit) / 4)}
        interval={0}
      />
      <YAxis
        type="category"
        dataKey="id"
        width={168}
        axisLine={false}
        tickLine={false}
        interval={0}
        tick={<Name rows={rows} onOpen={openCheck} />}
      />
      <Bar
        dataKey={({ band }: StringOnChart) => (band ? [band.from, band.to] : undefined)}
        fill={ink('accentWash')}
        stroke={ink('accent')}
        isAnimationActive={false}
        barSize={32}
      />
      <ZIndexLayer zIndex={DefaultZIndexes.scatter}>
        <Marks rows={rows} />
      </ZIndexLayer>
      <ReferenceLine
        x={limit}
        stroke={ink('danger')}
        strokeWidth={2}
        label={{ value: 'limit', fill: ink('danger'), position: 'top' }}
      />
    </ComposedChart>
  )
}

/** The name of a string beside its row: the way to its check, by touch and by keyboard. The chart gives place and value. */
function Name({
  rows,
  onOpen,
  x = 0,
  y = 0,
  payload,
}: {
  rows: readonly StringOnChart[]
  onOpen: (id: string) => void
  x?: number
  y?: number
  payload?: { value: string }
}) {
  const row = rows.find(({ id }) => id === payload?.value)
  if (!row) return null
  return (
    <TouchMark
      label={`${row.label}: ${row.measured === undefined ? 'not read' : volts(row.measured)}`}
      onTouch={() => onOpen(row.id)}
    >
      <rect x={0} y={y - ROW / 2 + 4} width={x + 8} height={ROW - 8} fill="transparent" />
      <text x={4} y={y - 3} style={{ fontSize: '16px', fontWeight: 600, fill: ink('text') }}>
        {row.label}
      </text>
      <text x={4} y={y + 15} style={{ fontSize: '12px', fill: ink('faint') }}>
        {row.measured === undefined
          ? 'not read yet'
          : `${row.unitLabel}, ${row.input} · ${row.count} modules`}
      </text>
    </TouchMark>
  )
}

/** What is drawn on the rows by the scales of the chart. */
function Marks({ rows }: { rows: readonly StringOnChart[] }) {
  const [x, y] = [useXAxisScale(), useYAxisScale()]
  if (!x || !y) return null
  return (
    <g aria-hidden>
      {rows.map((row) => {
        const middle = y(row.id, { position: 'middle' })
        return middle === undefined ? null : (
          <g key={row.id}>
            <FromSheets row={row} x={(voltage) => x(voltage) ?? 0} y={middle} />
            {row.measured !== undefined && (
              <Measured row={{ ...row, measured: row.measured }} x={x(row.measured) ?? 0} y={middle} />
            )}
          </g>
        )
      })}
    </g>
  )
}

/**
 * What follows from the sheets alone: start voltage, coldest morning, and the voltage at the maximum power
 * point within its tracker's window.
 */
function FromSheets({
  row: { start, cold, operating },
  x,
  y,
}: {
  row: StringOnChart
  x: (voltage: number) => number
  y: number
}) {
  const beneath = y + UNDER
  return (
    <>
      {start !== undefined && (
        <line
          x1={x(start)}
          x2={x(start)}
          y1={y - 20}
          y2={y + 16}
          stroke={ink('faint')}
          strokeWidth={2}
          strokeDasharray="2 4"
        />
      )}
      {cold && (
        <circle
          cx={x(cold.voltage)}
          cy={y}
          r={7}
          fill={ink('panel')}
          stroke={ink(verdictColour(cold.verdict))}
          strokeWidth={2.5}
        />
      )}
      {operating && (
        <>
          <path
            d={[operating.least, operating.most]
              .flatMap((end, i) =>
                end === undefined
                  ? []
                  : [
                      `M${x(end) + (i === 0 ? 6 : -6)} ${beneath - 7} H${x(end)} V${beneath + 7} h${i === 0 ? 6 : -6}`,
                    ],
              )
              .join(' ')}
            fill="none"
            stroke={ink('faint')}
            strokeWidth={2}
          />
          <line
            x1={x(operating.from)}
            x2={x(operating.to)}
            y1={beneath}
            y2={beneath}
            stroke={ink(verdictColour(operating.verdict))}
            strokeWidth={7}
          />
        </>
      )}
    </>
  )
}

/** What was measured: a stroke across the band, with its figure. */
function Measured({
  row: { measured, verdict, band },
  x,
  y,
}: {
  row: StringOnChart & { measured: number }
  x: number
  y: number
}) {
  const colour = ink(verdictColour(verdict))
  // To the left of its band there is room; to the right stands the coldest morning.
  const left = band !== undefined && measured <= band.to
  return (
    <>
      <line x1={x} x2={x} y1={y - 21} y2={y + 17} stroke={colour} strokeWidth={4} />
      <text
        x={x + (left ? -11 : 8)}
        y={y - 9}
        textAnchor={left ? 'end' : 'start'}
        style={{
          fontSize: '14px',
          fontFamily: MONO,
          fill: colour,
          stroke: ink('sunk'),
          strokeWidth: 4,
          paintOrder: 'stroke',
        }}
      >
        {formatNumber(measured, 1)} V
      </text>
    </>
  )
}
