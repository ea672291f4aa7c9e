import { Box } from '@chakra-ui/react'
import { useMemo } from 'react'
import type { AnswerOf } from '@plumb-mark/core'
import { traceOf } from '@plumb-mark/practice'
import { SmallPrint } from '../../ui/theme/text.js'
import { TraceChartLater } from '../../stages/commission/trace-chart-later.js'
import { Simulated } from '../../devices/simulated.js'

/** What the recorder drew of a test, and nothing of whether it is good enough. */
export function TraceThere({ answer, unit }: { answer: AnswerOf<'trace'>; unit: string }) {
  const digest = useMemo(() => {
    const points = traceOf(answer)
    const lines = [{ name: answer.channel, points }]
    return { lines, facts: answer.found, samples: points.length, end: answer.end }
  }, [answer])
  return (
    <Box as="figure">
      <TraceChartLater digest={digest} unit={unit} by={answer.by} eventAt={answer.eventAt} />
      <SmallPrint as="figcaption">
        {answer.channel}, traced. <Simulated />
      </SmallPrint>
    </Box>
  )
}
