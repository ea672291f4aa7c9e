import { Box } from '@chakra-ui/react'
import { Suspense, lazy, useMemo } from 'react'
import type { AnswerOf } from '@plumb-mark/core'
import { traceOf } from '@plumb-mark/practice'
import { SmallPrint } from '../../ui/theme/text.js'
import { Simulated } from '../../devices/simulated.js'

// The chart is large, and few places show one.
const TraceChart = lazy(() =>
  import('../../stages/commission/trace-chart.js').then(({ TraceChart: chart }) => ({
    default: chart,
  })),
)

/** What the recorder drew of a test, and nothing of whether it is good enough. */
export function TraceThere({ answer, unit }: { answer: AnswerOf<'trace'>; unit: string }) {
  const digest = useMemo(() => {
    const points = traceOf(answer)
    const lines = [{ name: answer.channel, points }]
    return { lines, facts: answer.found, samples: points.length, end: answer.end }
  }, [answer])
  return (
    <Box as="figure">
      <Suspense fallback={<Box h="300px" />}>
        <TraceChart digest={digest} unit={unit} by={answer.by} eventAt={answer.eventAt} />
      </Suspense>
      <SmallPrint as="figcaption">
        {answer.channel}, traced. <Simulated />
      </SmallPrint>
    </Box>
  )
}
