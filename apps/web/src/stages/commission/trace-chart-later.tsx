import { Box } from '@chakra-ui/react'
import { Suspense, lazy, type ComponentProps } from 'react'
import type { TraceChart as Chart } from './trace-chart.js'

const TraceChart = lazy(() =>
  import('./trace-chart.js').then(({ TraceChart: chart }) => ({ default: chart })),
)

/** The chart of a trace, which comes with a library of its own: it is fetched when there is a trace to look at. */
export const TraceChartLater = (props: ComponentProps<typeof Chart>) => (
  <Suspense fallback={<Box h="300px" />}>
    <TraceChart {...props} />
  </Suspense>
)
