import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { useMemo } from 'react'
import { STAGES, STAGE_CAUTIONS, STAGE_TITLES } from '@plumb-mark/core'
import { bagOf, type Scenario } from '@plumb-mark/practice'
import { Note, SmallPrint } from '../look/text.js'
import { CheckPlace } from './check-place.js'
import { Safety } from './safety.js'
import { judgedSoFar, usePractice } from './session.js'
import { ThingPlace } from './thing-place.js'

/** The installation, place by place: looked at, measured, written down. */
export function Installation({ scenario }: { scenario: Scenario }) {
  const { answers, finish, leave } = usePractice()
  const judged = useMemo(() => judgedSoFar(scenario, answers), [scenario, answers])
  const bag = useMemo(() => bagOf(scenario), [scenario])
  const practised = useMemo(() => new Set(scenario.checks.map(({ check }) => check.id)), [scenario])
  const checks = judged.checks.filter(({ check }) => practised.has(check.id))
  const places = [...checks.map(({ check }) => check), ...scenario.things]
  const left = [...checks.map(({ check }) => check.point), ...scenario.things.map(({ key }) => key)].filter(
    (where) => !answers.has(where),
  ).length
  return (
    <Box mt="8px">
      <Flex justify="space-between" align="center" gap="10px" wrap="wrap">
        <Note>
          Number {scenario.seed}: {places.length} places to look at, {left} not looked at yet.
          {` ${scenario.weather.irradiance} W/m², cells at ${scenario.weather.cellTemperature} °C.`}
        </Note>
        <Flex gap="8px">
          <Button variant="plain" onClick={leave}>
            Leave
          </Button>
          <Button onClick={finish}>Finish</Button>
        </Flex>
      </Flex>
      <Safety />
      {STAGES.filter((stage) => places.some((place) => place.stage === stage)).map((stage) => (
        <Box key={stage} as="section" aria-label={STAGE_TITLES[stage]} mt="16px">
          <Text as="h2" fontFamily="heading" fontSize="24px" fontWeight={600}>
            {STAGE_TITLES[stage]}
          </Text>
          {STAGE_CAUTIONS[stage] && <SmallPrint>{STAGE_CAUTIONS[stage]}</SmallPrint>}
          <chakra.ul listStyleType="none">
            {checks
              .filter(({ check }) => check.stage === stage)
              .map((one) => (
                <CheckPlace key={one.check.id} judged={one} scenario={scenario} bag={bag} />
              ))}
            {scenario.things
              .filter((thing) => thing.stage === stage)
              .map((thing) => (
                <ThingPlace key={thing.key} thing={thing} scenario={scenario} />
              ))}
          </chakra.ul>
        </Box>
      ))}
    </Box>
  )
}
