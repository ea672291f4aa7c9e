import { Box } from '@chakra-ui/react'
import { stringChart } from '@plumb-mark/core'
import { useInspection } from '../../job/inspection.js'
import { ROW } from './string-row.js'
import { Faint, SubTitle } from '../../ui/theme/text.js'
import { lazyChart } from '../../ui/lazy-part.js'
import { Cluster } from '../../ui/cluster.js'
import { PicturePart } from '../picture-part.js'

const StringChart = lazyChart(async () => (await import('./string-chart.js')).StringChart)

/**
 * Each string against what is expected of it, the limit of its input, and the window in which that can work;
 * touching one opens its check.
 */
export function Strings() {
  const inspection = useInspection((state) => state.inspection)
  const rows = inspection ? stringChart(inspection) : []
  if (rows.length === 0)
    return (
      <Faint p="24px">
        No strings have been entered: draw them on the array map of the roof, or give their count here.
      </Faint>
    )
  return (
    <PicturePart>
      <SubTitle>Strings: measured on the expected band</SubTitle>
      <Box h={`${rows.length * ROW + 54}px`} maxW="760px" fontSize="12px" role="group" aria-label="Strings">
        <StringChart rows={rows} />
      </Box>
      <Legend
        cold={rows.some(({ cold }) => cold)}
        operating={rows.some(({ operating }) => operating)}
        start={rows.some(({ start }) => start !== undefined)}
      />
    </PicturePart>
  )
}

/** What the marks mean, as far as they are drawn. */
function Legend({ cold, operating, start }: { cold: boolean; operating: boolean; start: boolean }) {
  return (
    <Cluster gap="4px 20px" fontSize="13px" color="faint" mt="6px">
      <span>Stroke on the band: measured, where it should be</span>
      {start && <span>Dotted: start voltage</span>}
      {cold && <span>Ring: on the coldest morning, left of the limit</span>}
      {operating && (
        <span>Bar beneath: at the maximum power point, hot to cold, within the brackets of its tracker</span>
      )}
    </Cluster>
  )
}
