import { Box } from '@chakra-ui/react'
import type { Instrument } from '@plumb-mark/core'
import { settingOf } from '@plumb-mark/practice'
import { ChoiceField } from '../../ui/choice-field.js'
import type { HoldProps } from './props.js'
import { Probes } from './probes.js'
import { Screws } from './screws.js'
import { Cluster } from '../../ui/cluster.js'

/** What insulation testers offer, V. */
const TEST_VOLTAGES = ['250', '500', '1000', '1500'] as const
const UNCHOSEN = ['', 'choose'] as const

/** Out of the bag, set, and put where it measures: none of it is chosen for the trainee. */
export function HoldFields({
  check,
  scenario,
  bag,
  hold,
  onHold,
}: HoldProps & { bag: readonly Instrument[] }) {
  const { instrument, testVoltage } = hold
  const setting = instrument && settingOf(check, instrument)
  return (
    <>
      <Cluster mt="8px">
        <Box w="420px" maxW="100%">
          <ChoiceField<string>
            label="Out of the bag"
            value={instrument?.id ?? ''}
            options={[
              ['', 'choose what to measure with'],
              ...bag.map(
                ({ id, name, calibratedUntil }) =>
                  [id, `${name} (in date until ${calibratedUntil})`] as const,
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
      </Cluster>
      {setting === 'probes' && <Probes check={check} scenario={scenario} hold={hold} onHold={onHold} />}
      {setting === 'screw' && <Screws check={check} scenario={scenario} hold={hold} onHold={onHold} />}
    </>
  )
}
