import { Box, Button, Flex, chakra } from '@chakra-ui/react'
import { useMemo } from 'react'
import { STAGES, STAGE_CAUTIONS, STAGE_TITLES, type Stage } from '@plumb-mark/core'
import { bagOf, weatherAfter, type Scenario, type Weather } from '@plumb-mark/practice'
import { Note, SectionTitle, SmallPrint } from '../ui/theme/text.js'
import { useSeconds } from '../ui/use-seconds.js'
import { CheckPlace } from './check-place.js'
import { Safety } from './safety.js'
import { judgedSoFar, minutesSince, usePractice } from './session.js'
import { ThingPlace } from './thing-place.js'
import { Cluster } from '../ui/cluster.js'

/** The installation, place by place: looked at, measured, written down. */
export function Installation({ scenario }: { scenario: Scenario }) {
  const { answers, finish, leave } = usePractice()
  const judged = useMemo(() => judgedSoFar(scenario, answers), [scenario, answers])
  const bag = useMemo(() => bagOf(scenario), [scenario])
  const practised = useMemo(() => new Set(scenario.checks.map(({ check }) => check.id)), [scenario])
  const checks = judged.checks.filter(({ check }) => practised.has(check.id))
  const places = [...checks.map(({ check }) => check), ...scenario.things]
  /** Two checks may judge what is read at one point: it is looked at once. */
  const wheres = (stage?: Stage) => [
    ...new Set([
      ...checks.filter(({ check }) => !stage || check.stage === stage).map(({ check }) => check.point),
      ...scenario.things.filter((thing) => !stage || thing.stage === stage).map(({ key }) => key),
    ]),
  ]
  const leftIn = (stage?: Stage) => wheres(stage).filter((where) => !answers.has(where)).length
  const stages = STAGES.filter((stage) => places.some((place) => place.stage === stage))
  return (
    <Box mt="8px">
      <Flex justify="space-between" align="center" gap="10px">
        <Note>
          Number {scenario.seed}: {unitsOf(scenario)}. {wheres().length} places to look at, {leftIn()} not
          looked at yet.
          <WeatherNow weather={scenario.weather} />
        </Note>
        <Flex gap="8px" flexShrink={0}>
          <Button variant="plain" onClick={leave}>
            Leave
          </Button>
          <Button onClick={finish}>Finish</Button>
        </Flex>
      </Flex>
      <Safety />
      {stages.length > 1 && <StageLinks stages={stages} leftIn={leftIn} />}
      {stages.map((stage) => (
        <Box
          key={stage}
          as="section"
          id={stage}
          aria-label={STAGE_TITLES[stage]}
          mt="16px"
          scrollMarginTop="70px"
        >
          <SectionTitle>{STAGE_TITLES[stage]}</SectionTitle>
          {STAGE_CAUTIONS[stage] && <SmallPrint>{STAGE_CAUTIONS[stage]}</SmallPrint>}
          <ul>
            {scenario.things
              .filter((thing) => thing.stage === stage)
              .map((thing) => (
                <ThingPlace key={thing.key} thing={thing} scenario={scenario} />
              ))}
            {checks
              .filter(({ check }) => check.stage === stage)
              .map((one) => (
                <CheckPlace key={one.check.id} judged={one} scenario={scenario} bag={bag} />
              ))}
          </ul>
        </Box>
      ))}
    </Box>
  )
}

/** Light and warmth as they are at this moment: a reading notes what was when it was read. */
function WeatherNow({ weather }: { weather: Weather }) {
  const began = usePractice((practice) => practice.began)
  const now = useSeconds(true)
  const { irradiance, cellTemperature } = weatherAfter(weather, minutesSince(began, now))
  return (
    <chakra.span fontFamily="mono" whiteSpace="nowrap">
      {` ${irradiance} W/m², cells at ${cellTemperature} °C`}
    </chakra.span>
  )
}

/** The machines that stand there, as they are called. */
const unitsOf = ({ entries }: Scenario): string =>
  entries.flatMap(({ kind, body }) => (kind === 'unit-fitted' && body.serial ? [body.label] : [])).join(', ')

/** Where one is going to, and how much is left there. */
function StageLinks({ stages, leftIn }: { stages: readonly Stage[]; leftIn: (stage: Stage) => number }) {
  return (
    <Cluster
      layerStyle="ruleBelow"
      as="nav"
      aria-label="Stages"
      position="sticky"
      top="0"
      zIndex={5}
      bg="paper"
      gap="4px 18px"
      py="4px"
    >
      {stages.map((stage) => (
        <chakra.a key={stage} href={`#${stage}`} minH="44px" display="flex" alignItems="center" gap="6px">
          {STAGE_TITLES[stage]}
          <chakra.span fontFamily="mono" fontSize="14px" color={leftIn(stage) > 0 ? 'unproven' : 'faint'}>
            {leftIn(stage)}
          </chakra.span>
        </chakra.a>
      ))}
    </Cluster>
  )
}
