import { Box, Flex } from '@chakra-ui/react'
import { measures, type Instrument, type JudgedCheck } from '@plumb-mark/core'
import { PROBE_ENDS, PROBE_WORDS, type ProbeEnd } from '@plumb-mark/practice'
import { ChoiceField } from '../marks/choice-field.js'
import type { Hold } from './session.js'

/** What insulation testers offer, V. */
const TEST_VOLTAGES = ['250', '500', '1000'] as const
const UNCHOSEN = ['', 'choose'] as const

type Check = JudgedCheck['check']
/** What else than the instrument is chosen before it shows anything. */
const settingOf = ({ ask, stage }: Check, instrument: Instrument): 'volts' | 'probes' | undefined => {
  if (ask.kind !== 'reading' || !measures(instrument, ask.dimension)) return undefined
  if (ask.dimension === 'insulation') return 'volts'
  return ask.dimension === 'voltage' && stage === 'dc' ? 'probes' : undefined
}

/** Is all chosen that this instrument needs to be chosen? */
export function isHeld(check: Check, { instrument, testVoltage, red, black }: Hold): boolean {
  if (!instrument) return false
  const chosen = { volts: testVoltage, probes: red && black }
  const setting = settingOf(check, instrument)
  return setting === undefined || chosen[setting] !== undefined
}

/** Out of the bag, set, and its probes put on: none of it is chosen for the trainee. */
export function HoldFields({
  check,
  bag,
  hold,
  onHold,
}: {
  check: Check
  bag: readonly Instrument[]
  hold: Hold
  onHold: (hold: Hold) => void
}) {
  const { instrument, testVoltage, red, black } = hold
  const setting = instrument && settingOf(check, instrument)
  const put = (end: 'red' | 'black') => (chosen: ProbeEnd | '') =>
    onHold({ ...hold, [end]: chosen === '' ? undefined : chosen })
  const ends = [UNCHOSEN, ...PROBE_ENDS.map((end) => [end, PROBE_WORDS[end]] as const)]
  return (
    <Flex gap="10px" mt="8px" wrap="wrap">
      <Box w="420px" maxW="100%">
        <ChoiceField<string>
          label="Out of the bag"
          value={instrument?.id ?? ''}
          options={[
            ['', 'choose what to measure with'],
            ...bag.map(
              ({ id, name, calibratedUntil }) => [id, `${name} (in date until ${calibratedUntil})`] as const,
            ),
          ]}
          onChange={(id) => onHold({ ...hold, instrument: bag.find((one) => one.id === id) })}
        />
      </Box>
      {setting === 'volts' && (
        <ChoiceField<(typeof TEST_VOLTAGES)[number] | ''>
          label="Tested at"
          value={testVoltage === undefined ? '' : (String(testVoltage) as (typeof TEST_VOLTAGES)[number])}
          options={[UNCHOSEN, ...TEST_VOLTAGES.map((one) => [one, `${one} V`] as const)]}
          onChange={(next) => onHold({ ...hold, testVoltage: next === '' ? undefined : Number(next) })}
        />
      )}
      {setting === 'probes' && (
        <>
          <ChoiceField label="Red probe on" value={red ?? ''} options={ends} onChange={put('red')} />
          <ChoiceField label="Black probe on" value={black ?? ''} options={ends} onChange={put('black')} />
        </>
      )}
    </Flex>
  )
}
