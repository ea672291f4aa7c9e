import { Box } from '@chakra-ui/react'
import { lazyChart } from '../../ui/lazy-part.js'

export const TraceChartLater = lazyChart(async () => (await import('./trace-chart.js')).TraceChart, {
  coming: <Box h="300px" />,
})
