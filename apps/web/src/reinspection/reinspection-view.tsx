import { Box, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useMemo } from 'react'
import { Link } from 'react-router'
import {
  drifts,
  formatQuantity,
  reinspectionChanges,
  type BuiltChange,
  type Drift,
  type Inspection,
  type VerdictChange,
} from '@plumb-mark/core'
import { Faint, Mono, Note, PartHeading, PartTitle, SectionTitle } from '../ui/theme/text.js'
import { Problem } from '../ui/problem.js'
import { VerdictMark } from '../ui/verdict-mark.js'
import { useInspection } from '../job/inspection.js'
import { useSiteTime } from '../job/site-time.js'
import { DriftChart } from './drift-chart.js'
import { useEarlier, type Earlier } from './earlier.js'
import { Cluster } from '../ui/cluster.js'

const HOW = {
  new: 'is new',
  gone: 'is gone',
  another: 'is another',
  changed: 'was changed',
} satisfies Record<BuiltChange['how'], string>

/** What is otherwise than at the inspection before, and what drifts from one to the next. */
export function ReinspectionView() {
  const now = useInspection(({ inspection }) => inspection)
  const again = now?.state.header?.again
  const { data, error, isLoading } = useEarlier(again?.jobId)
  return (
    <Box layerStyle="page" maxW="980px">
      <PartTitle>Since last time</PartTitle>
      {!again && (
        <Text mt="8px">
          This is the first inspection of this installation here. Open the next one with “New job”, built like
          this one, as the same installation.
        </Text>
      )}
      {error && <Problem mt="8px">The inspection before cannot be read: {error.message}</Problem>}
      {isLoading && <Text role="status">Reading the inspections before …</Text>}
      {now && data && data.length > 0 && <Compared now={now} earlier={data} />}
    </Box>
  )
}

function Compared({ now, earlier }: { now: Inspection; earlier: readonly Earlier[] }) {
  const time = useSiteTime()
  const last = earlier[0]!
  const { built, verdicts } = useMemo(() => reinspectionChanges(last.inspection, now), [last, now])
  const lines = useMemo(
    () => drifts([...earlier.map(({ inspection }) => inspection).reverse(), now]),
    [earlier, now],
  )
  const drifting = lines.filter((one) => one.drifts)
  const steady = lines.filter((one) => !one.drifts)
  return (
    <>
      <Note>
        Compared with <Link to={`/jobs/${last.jobId}/sign-off`}>{last.number}</Link>
        {last.signedAt ? `, signed ${time.day(last.signedAt)}` : ', which is not signed'}
        {earlier.length > 1 ? `, and ${earlier.length - 1} before it` : ''}.
      </Note>
      <Part title="Drifting">
        {drifting.length === 0 && (
          <Text>
            {lines.length === 0
              ? 'Nothing has been read both times with an instrument that vouches for it.'
              : 'Nothing differs by more than the instruments can.'}
          </Text>
        )}
        {drifting.map((one) => (
          <Drifting key={one.point} drift={one} />
        ))}
        {steady.length > 0 && (
          <Note mt="10px">
            Within what the instruments can differ by:{' '}
            {steady.map(({ title, place }) => `${title}, ${place}`).join('; ')}.
          </Note>
        )}
      </Part>
      <Part title="Judged otherwise">
        {verdicts.length === 0 && <Text>Nothing that was judged both times is judged otherwise.</Text>}
        {verdicts.map((one) => (
          <Turned key={one.checkId} change={one} />
        ))}
      </Part>
      <Part title="Built otherwise">
        {built.length === 0 && <Text>Everything that is entered stands as it did.</Text>}
        <ul>
          {built.map(({ what, label, how }) => (
            <chakra.li key={`${what} ${label} ${how}`} py="4px">
              {what} <b>{label}</b> {HOW[how]}
            </chakra.li>
          ))}
        </ul>
      </Part>
    </>
  )
}

const Part = ({ title, children }: { title: string; children: React.ReactNode }) => (
  <Box as="section" mt="22px" aria-label={title}>
    <SectionTitle as="h3" mb="6px">
      {title}
    </SectionTitle>
    {children}
  </Box>
)

function Drifting({ drift }: { drift: Drift }) {
  const { title, place, perYear, perYearUncertainty, limit, reachesOn, dimension, unit, atEqualConditions } =
    drift
  const say = (value: number) =>
    formatQuantity(value, dimension, { ...(unit && { unit }), significant: 3, difference: true })
  const time = useSiteTime()
  return (
    <Grid layerStyle="ruleAbove" templateColumns={{ base: '1fr', md: '1fr 340px' }} gap="14px" py="12px">
      <Box>
        <PartHeading as="p">{title}</PartHeading>
        <Faint>{place}</Faint>
        <Mono mt="8px">
          {perYear > 0 ? '+' : '−'}
          {say(Math.abs(perYear))} a year, ± {say(perYearUncertainty)}
        </Mono>
        {atEqualConditions && <Note>Brought to 25 °C and 1000 W/m², to be compared.</Note>}
        {reachesOn ? (
          <Text mt="6px" fontWeight={600} color="danger">
            On a straight line it reaches its limit of {say(limit!)} about{' '}
            {time.day(`${reachesOn}T12:00:00Z`)}.
          </Text>
        ) : (
          <Text mt="6px">
            It does not come to its limit within fifty years, or the limit is not one of this figure.
          </Text>
        )}
      </Box>
      <DriftChart drift={drift} />
    </Grid>
  )
}

function Turned({ change: { title, place, was, now } }: { change: VerdictChange }) {
  return (
    <Cluster layerStyle="ruleAbove" py="6px">
      <Box flex="1" minW="200px">
        <Text>{title}</Text>
        <Note>{place}</Note>
      </Box>
      <Flex gap="12px" align="center">
        <VerdictMark verdict={was} /> <Faint>became</Faint> <VerdictMark verdict={now} />
      </Flex>
    </Cluster>
  )
}
