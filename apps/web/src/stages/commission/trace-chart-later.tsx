import { Box } from '@chakra-ui/react'
import { lazyChart } from '../../ui/lazy-part.js'

export const TraceChartLater = lazyChart('TraceChart', () => import('./trace-chart.js'), {
  coming: <Box h="300px" />,
})
