import { Box } from '@chakra-ui/react'
import { useMemo } from 'react'
import { Area, ComposedChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import type { PictureProps } from '../../ui/drawings/props.js'

const MOST_POINTS = 800

/** The power over time with its limit, the event, and the moment at which it settled. Long records are thinned to their extremes. */
export function LimitTrace({ input, result }: PictureProps) {
  const points = useMemo(() => thinned(input.samples), [input.samples])
  const ceiling = input.limit + input.tolerance
  return (
    <Box h="280px" w="100%" fontSize="12px" fontFamily="mono">
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={points} margin={{ top: 18, right: 18, bottom: 4, left: 4 }}>
          <XAxis
            dataKey="t"
            type="number"
            domain={['dataMin', 'dataMax']}
            unit=" s"
            stroke="var(--chakra-colors-faint)"
          />
          <YAxis unit=" W" width={74} stroke="var(--chakra-colors-faint)" />
          <Tooltip
            contentStyle={{
              background: 'var(--chakra-colors-panel)',
              border: '1px solid var(--chakra-colors-hair)',
            }}
          />
          <Area
            dataKey="power"
            type="stepAfter"
            stroke="var(--chakra-colors-accent)"
            strokeWidth={2}
            fill="var(--chakra-colors-accent-wash)"
            isAnimationActive={false}
          />
          <ReferenceLine
            y={ceiling}
            stroke="var(--chakra-colors-danger)"
            strokeWidth={2}
            label={{
              value: 'limit + tolerance',
              fill: 'var(--chakra-colors-danger)',
              position: 'insideTopRight',
            }}
          />
          <ReferenceLine
            x={input.eventAt}
            stroke="var(--chakra-colors-text)"
            strokeDasharray="4 4"
            label={{ value: 'event', fill: 'var(--chakra-colors-text)', position: 'top' }}
          />
          {result.settledAt !== null && (
            <ReferenceLine
              x={result.settledAt}
              stroke="var(--chakra-colors-unproven)"
              label={{ value: 'settled', fill: 'var(--chakra-colors-unproven)', position: 'top' }}
            />
          )}
        </ComposedChart>
      </ResponsiveContainer>
    </Box>
  )
}

interface Sample {
  t: number
  power: number
}

/** Of each stretch the lowest and the highest sample, so that no peak is lost. */
function thinned(samples: Sample[]): Sample[] {
  if (samples.length <= MOST_POINTS) return samples
  const size = Math.ceil((2 * samples.length) / MOST_POINTS)
  return Array.from({ length: Math.ceil(samples.length / size) }, (_, i) =>
    samples.slice(i * size, (i + 1) * size),
  ).flatMap((part) => {
    const low = part.reduce((a, b) => (b.power < a.power ? b : a))
    const high = part.reduce((a, b) => (b.power > a.power ? b : a))
    return low.t <= high.t ? [low, high] : [high, low]
  })
}
