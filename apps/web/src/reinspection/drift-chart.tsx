import { Box, useToken } from '@chakra-ui/react'
import { ErrorBar, ReferenceLine, ResponsiveContainer, Scatter, ScatterChart, XAxis, YAxis } from 'recharts'
import { dayWords, formatQuantity, type Drift } from '@plumb-mark/core'

const day = (at: number) => dayWords(new Date(at).toISOString())

/** The readings of a series with how well each is known, and the limit that they come to. */
export function DriftChart({ drift: { series, limit, dimension, unit, title } }: { drift: Drift }) {
  const [accent, danger, text] = useToken('colors', ['accent', 'danger', 'text'])
  const say = (value: number) => formatQuantity(value, dimension, { ...(unit && { unit }), significant: 3 })
  const rows = series.map(({ at, value, uncertainty }) => ({ at: Date.parse(at), value, uncertainty }))
  const values = [
    ...rows.flatMap(({ value, uncertainty }) => [value - uncertainty, value + uncertainty]),
    ...(limit === undefined ? [] : [limit]),
  ]
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const room = Math.max((high - low) / 10, 1e-9)
  const axis = { tick: { fill: text ?? '', fontSize: 12 }, stroke: text ?? '' }
  return (
    <Box
      h="170px"
      role="img"
      aria-label={`${title}: ${rows.map(({ at, value }) => `${day(at)} ${say(value)}`).join(', ')}`}
    >
      <ResponsiveContainer width="100%" height="100%">
        <ScatterChart margin={{ top: 8, right: 16, bottom: 0, left: 8 }}>
          <XAxis
            type="number"
            dataKey="at"
            domain={['dataMin', 'dataMax']}
            tickFormatter={day}
            ticks={rows.map(({ at }) => at)}
            {...axis}
            padding={{ left: 30, right: 30 }}
          />
          <YAxis
            type="number"
            dataKey="value"
            domain={[low - room, high + room]}
            tickFormatter={say}
            width={86}
            {...axis}
          />
          {limit !== undefined && (
            <ReferenceLine
              y={limit}
              stroke={danger ?? ''}
              strokeDasharray="6 4"
              label={{ value: 'limit', fill: danger ?? '', fontSize: 12, position: 'insideBottomRight' }}
            />
          )}
          <Scatter data={rows} fill={accent ?? ''} line={{ stroke: accent ?? '' }} isAnimationActive={false}>
            <ErrorBar dataKey="uncertainty" direction="y" stroke={accent ?? ''} width={6} />
          </Scatter>
        </ScatterChart>
      </ResponsiveContainer>
    </Box>
  )
}
