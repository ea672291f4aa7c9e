import { Box, Flex } from '@chakra-ui/react'
import type { Instrument, JudgedCheck } from '@plumb-mark/core'
import { PROBE_ENDS, PROBE_WORDS, settingOf, type Hold, type ProbeEnd } from '@plumb-mark/practice'
import { ChoiceField } from '../marks/choice-field.js'

/** What insulation testers offer, V. */
const TEST_VOLTAGES = ['250', '500', '1000'] as const
const UNCHOSEN = ['', 'choose'] as const

/** Out of the bag, set, and its probes put on: none of it is chosen for the trainee. */
export function HoldFields({
  check,
  bag,
  hold,
  onHold,
}: {
  check: JudgedCheck['check']
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
