import { Box } from '@chakra-ui/react'
import { useMemo } from 'react'
import { Area, ComposedChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import type { PictureProps } from '../../ui/drawings/props.js'
import { ink } from '../../ui/theme/colours.js'

const MOST_POINTS = 800

/** The power over time with its limit, the event, and the moment at which it settled. Long records are thinned to their extremes. */
export function LimitTrace({ input, result }: PictureProps) {
  const points = useMemo(() => thinned(input.samples), [input.samples])
  const ceiling = input.limit + input.tolerance
  return (
    <Box h="280px" w="100%" fontSize="12px" fontFamily="mono">
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={points} margin={{ top: 18, right: 18, bottom: 4, left: 4 }}>
          <XAxis dataKey="t" type="number" domain={['dataMin', 'dataMax']} unit=" s" stroke={ink('faint')} />
          <YAxis unit=" W" width={74} stroke={ink('faint')} />
          <Tooltip
            contentStyle={{
              background: ink('panel'),
              border: `1px solid ${ink('hair')}`,
            }}
          />
          <Area
            dataKey="power"
            type="stepAfter"
            stroke={ink('accent')}
            strokeWidth={2}
            fill={ink('accentWash')}
            isAnimationActive={false}
          />
          <ReferenceLine
            y={ceiling}
            stroke={ink('danger')}
            strokeWidth={2}
            label={{
              value: 'limit + tolerance',
              fill: ink('danger'),
              position: 'insideTopRight',
            }}
          />
          <ReferenceLine
            x={input.eventAt}
            stroke={ink('text')}
            strokeDasharray="4 4"
            label={{ value: 'event', fill: ink('text'), position: 'top' }}
          />
          {result.settledAt !== null && (
            <ReferenceLine
              x={result.settledAt}
              stroke={ink('unproven')}
              label={{ value: 'settled', fill: ink('unproven'), position: 'top' }}
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
