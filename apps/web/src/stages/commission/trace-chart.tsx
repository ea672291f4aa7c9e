import { Box } from '@chakra-ui/react'
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import type { TraceLimit } from '@plumb-mark/core'
import type { Digest } from '../../data/workers/trace-work.js'
import { ink } from '../../ui/theme/colours.js'

const COLOURS = [ink('accent'), ink('unproven'), ink('faint')]
const faint = ink('faint')
const danger = ink('danger')

interface Shown {
  digest: Digest
  unit: string
  by: TraceLimit
  eventAt?: number | undefined
}

/** The trace with its limit and tolerance, the event, the time that is allowed, and when it settled. What is beyond is hatched. */
export function TraceChart({ digest, unit, by, eventAt }: Shown) {
  const { lines, facts, end } = digest
  const ceiling = by.must === 'stay-under' ? by.limit + by.tolerance : by.limit - by.tolerance
  const settled = facts?.settledAt
  return (
    <Box
      h="300px"
      w="100%"
      fontSize="12px"
      fontFamily="mono"
      bg="panel"
      borderRadius="4px"
      py="8px"
      role="img"
      aria-label={wordsOf(digest, unit, eventAt)}
    >
      <svg width="0" height="0" aria-hidden>
        <defs>
          <pattern
            id="beyond"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="6" stroke={danger} strokeWidth="2" />
          </pattern>
        </defs>
      </svg>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart margin={{ top: 20, right: 20, bottom: 4, left: 10 }}>
          <CartesianGrid stroke={ink('hair')} vertical={false} />
          <XAxis
            dataKey="t"
            type="number"
            domain={['dataMin', 'dataMax']}
            unit=" s"
            stroke={faint}
            allowDuplicatedCategory={false}
          />
          <YAxis unit={` ${unit}`} width={84} stroke={faint} domain={['auto', 'auto']} />
          <Tooltip contentStyle={{ background: ink('panel'), border: `1px solid ${faint}` }} />
          {eventAt !== undefined && (
            <ReferenceArea
              x1={eventAt}
              x2={Math.min(end, eventAt + by.settleWithin)}
              fill={ink('accentWash')}
              fillOpacity={0.6}
              ifOverflow="hidden"
            />
          )}
          {eventAt !== undefined && (settled === undefined || settled > eventAt + by.settleWithin) && (
            <ReferenceArea
              x1={eventAt + by.settleWithin}
              x2={settled ?? end}
              fill="url(#beyond)"
              fillOpacity={0.5}
              ifOverflow="hidden"
            />
          )}
          <ReferenceArea
            y1={by.limit}
            y2={ceiling}
            fill={danger}
            fillOpacity={0.18}
            ifOverflow="extendDomain"
          />
          <ReferenceLine
            y={ceiling}
            stroke={danger}
            strokeWidth={2}
            ifOverflow="extendDomain"
            label={{
              value: by.must === 'stay-under' ? 'limit' : 'least',
              fill: danger,
              position: 'insideTopRight',
            }}
          />
          {lines.map(({ name, points }, i) => (
            <Line
              key={name}
              data={points}
              dataKey="value"
              name={name}
              type="stepAfter"
              stroke={COLOURS[i % COLOURS.length]}
              strokeWidth={i === 0 ? 2.4 : 1.4}
              strokeDasharray={i === 0 ? undefined : '5 3'}
              dot={false}
              isAnimationActive={false}
            />
          ))}
          {eventAt !== undefined && (
            <ReferenceLine
              x={eventAt}
              stroke={ink('text')}
              strokeDasharray="4 4"
              label={{ value: 'event', fill: ink('text'), position: 'top' }}
            />
          )}
          {settled !== undefined && settled !== eventAt && (
            <ReferenceLine
              x={settled}
              stroke={ink('accent')}
              label={{ value: 'settled', fill: ink('accent'), position: 'top' }}
            />
          )}
        </ComposedChart>
      </ResponsiveContainer>
    </Box>
  )
}

function wordsOf(
  { lines: [watched], facts, end }: Digest,
  unit: string,
  eventAt: number | undefined,
): string {
  const said = [`${watched?.name} over ${Math.round(end)} s`]
  const last = watched?.points.at(-1)
  if (last) said.push(`last ${last.value} ${unit}`)
  if (eventAt !== undefined) said.push(`event at ${Math.round(eventAt)} s`)
  if (facts?.settledAt !== undefined) said.push(`settled at ${Math.round(facts.settledAt)} s`)
  return said.join(', ')
}
