import { Box, Button, Flex, Text, chakra } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import {
  STAGES,
  STAGE_CAUTIONS,
  STAGE_TITLES,
  inBothSystems,
  measures,
  sayEvidence,
  type Evidence,
  type Instrument,
  type JudgedCheck,
} from '@plumb-mark/core'
import type { Found, Scenario } from '@plumb-mark/practice'
import { Note, SmallPrint } from '../look/text.js'
import { ChoiceField } from '../marks/choice-field.js'
import { VerdictMark } from '../marks/verdict-mark.js'
import { Safety } from './safety.js'
import { bagOf, judgedSoFar, look, unseen, usePractice } from './session.js'

/** The installation, check by check: looked at, measured, written down. */
export function Installation({ scenario }: { scenario: Scenario }) {
  const { answers, finish, leave } = usePractice()
  const judged = useMemo(() => judgedSoFar(scenario, answers), [scenario, answers])
  const bag = useMemo(() => bagOf(scenario), [scenario])
  const practised = useMemo(() => new Set(scenario.checks.map(({ check }) => check.id)), [scenario])
  const checks = judged.checks.filter(({ check }) => practised.has(check.id))
  const left = checks.filter(({ outcome }) => outcome.verdict === 'not-inspected').length
  return (
    <Box mt="8px">
      <Flex justify="space-between" align="center" gap="10px" wrap="wrap">
        <Note>
          Number {scenario.seed}: {checks.length} checks, {left} not looked at yet
        </Note>
        <Flex gap="8px">
          <Button variant="plain" onClick={leave}>
            Leave
          </Button>
          <Button onClick={finish}>Finish</Button>
        </Flex>
      </Flex>
      <Safety />
      {STAGES.filter((stage) => checks.some(({ check }) => check.stage === stage)).map((stage) => (
        <Box key={stage} as="section" aria-label={STAGE_TITLES[stage]} mt="16px">
          <Text as="h2" fontFamily="heading" fontSize="24px" fontWeight={600}>
            {STAGE_TITLES[stage]}
          </Text>
          {STAGE_CAUTIONS[stage] && <SmallPrint>{STAGE_CAUTIONS[stage]}</SmallPrint>}
          <chakra.ul listStyleType="none">
            {checks
              .filter(({ check }) => check.stage === stage)
              .map((one) => (
                <Place key={one.check.id} judged={one} scenario={scenario} bag={bag} />
              ))}
          </chakra.ul>
        </Box>
      ))}
    </Box>
  )
}

function Place({
  judged,
  scenario,
  bag,
}: {
  judged: JudgedCheck
  scenario: Scenario
  bag: readonly Instrument[]
}) {
  const { answers, writeDown, takeBack, done } = usePractice()
  const [open, setOpen] = useState(false)
  const [shown, setShown] = useState<Found>()
  const [instrumentId, setInstrumentId] = useState('')
  const { check, outcome } = judged
  const { ask, point } = check
  const instrument = bag.find(({ id }) => id === instrumentId)
  const reading = ask.kind === 'reading'
  const fits = !reading || !instrument || measures(instrument, ask.dimension)
  const written = answers.get(point)
  const keep = (found: Found) => {
    writeDown(found)
    setOpen(false)
    setShown(undefined)
  }
  return (
    <chakra.li borderBottom="1px solid" borderColor="hair" py="4px">
      <chakra.button
        type="button"
        w="100%"
        minH="50px"
        textAlign="left"
        display="flex"
        justifyContent="space-between"
        alignItems="center"
        gap="12px"
        cursor="pointer"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <Box>
          <Text>{check.title}</Text>
          <SmallPrint>{check.place}</SmallPrint>
        </Box>
        {written ? <VerdictMark verdict={outcome.verdict} /> : <SmallPrint>not looked at</SmallPrint>}
      </chakra.button>
      {open && (
        <Box bg="panel" p="12px" mb="6px">
          <Text>{ask.kind === 'observation' ? ask.question : inBothSystems(check.required, 'metric')}</Text>
          {reading && (
            <Box maxW="420px" mt="8px">
              <ChoiceField<string>
                label="Out of the bag"
                value={instrumentId}
                options={[
                  ['', 'choose what to measure with'],
                  ...bag.map(
                    ({ id, name, calibratedUntil }) =>
                      [id, `${name} (in date until ${calibratedUntil})`] as const,
                  ),
                ]}
                onChange={(id) => (setInstrumentId(id), setShown(undefined))}
              />
            </Box>
          )}
          <Flex gap="8px" mt="10px" wrap="wrap">
            <Button
              h="52px"
              disabled={reading && !instrument}
              onClick={() => {
                done({ point })
                if (fits) setShown(look(scenario, point, instrument))
              }}
            >
              {reading ? 'Measure' : 'Look'}
            </Button>
            <Button variant="outline" h="52px" onClick={() => keep(unseen(scenario, point))}>
              It will be fine
            </Button>
            {written && (
              <Button variant="plain" h="52px" onClick={() => takeBack(point)}>
                Take back
              </Button>
            )}
          </Flex>
          {!fits && <Note mt="8px">The display stays blank: it does not measure that.</Note>}
          {shown && fits && (
            <Flex mt="10px" gap="12px" align="center" wrap="wrap">
              <Text fontFamily="mono" fontSize="24px">
                {said(judged, shown)}
              </Text>
              <Button onClick={() => keep(shown)}>Write it down</Button>
            </Flex>
          )}
        </Box>
      )}
    </chakra.li>
  )
}

/** What is there, in the words of a history. */
const said = ({ check }: JudgedCheck, found: Found): string =>
  sayEvidence(check, found as unknown as Evidence)
