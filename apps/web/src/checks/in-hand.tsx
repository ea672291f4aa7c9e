import { Box, Flex, Stack, Text } from '@chakra-ui/react'
import { ScanLine } from 'lucide-react'
import { memo, useState } from 'react'
import {
  dimensionWords,
  measures,
  outOfCalibration,
  normaliseLabel,
  type Dimension,
  type Instrument,
  type JudgedCheck,
} from '@plumb-mark/core'
import { SmallPrint } from '../ui/theme/text.js'
import { choiceOf, useInputDefaults } from '../data/input-defaults.js'
import { useInspection } from '../job/inspection.js'
import { useSiteTime } from '../job/site-time.js'
import { instrumentWords } from './instrument-words.js'
import { InstrumentChoice } from './instrument-choice.js'
import { alike } from '../ui/alike.js'
import { IconButton, LinkButton } from '../ui/buttons.js'
import { Scanner } from '../ui/lazy-scanner.js'

/** What the readings of a stage are taken with: chosen once, by hand or by the label of the instrument. */
export const InHand = memo(function InHand({ wanted }: { wanted: readonly Dimension[] }) {
  const instruments = useInspection((state) => state.instruments)
  const habits = useInputDefaults()
  const [open, setOpen] = useState(false)
  const [scanning, setScanning] = useState(false)
  const [said, setSaid] = useState('')
  const { today } = useSiteTime()
  if (wanted.length === 0 || instruments.length === 0) return null
  const choices = wanted.map((dimension) => ({
    dimension,
    ...choiceOf(instruments, dimension, habits.instruments[dimension]),
  }))
  const held = [...new Set(choices.flatMap(({ offered }) => (offered ? [offered] : [])))]
  const missing = choices.filter(({ offered }) => !offered).length
  const byLabel = (code: string) => {
    setScanning(false)
    const found = instruments.find(({ serial, id }) =>
      [serial, id].some((own) => normaliseLabel(own) === normaliseLabel(code)),
    )
    if (!found) return setSaid(`No instrument here has the serial ${code}.`)
    const fits = wanted.filter((dimension) => measures(found, dimension))
    for (const dimension of fits) habits.useInstrument(dimension, found.id)
    setSaid(
      fits.length > 0
        ? `${found.name} is in hand for ${fits.map((one) => dimensionWords(one)).join(', ')}.`
        : `${found.name} measures nothing that is read in this stage.`,
    )
  }
  return (
    <Box>
      <Flex gap="4px" align="center">
        <LinkButton
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          minW={0}
          flex="1 1 0"
          overflow="hidden"
          justifyContent="start"
        >
          <Text as="span" truncate fontSize="14px" fontWeight={500}>
            In hand: {held.map(({ name }) => name).join(', ') || 'nothing yet'}
            {missing > 0 && held.length > 0 ? `; ${missing} to choose` : ''}
          </Text>
        </LinkButton>
        <IconButton aria-label="Scan the label of an instrument" onClick={() => setScanning(true)}>
          <ScanLine size={19} />
        </IconButton>
      </Flex>
      <SmallPrint role="status">
        {said ||
          held
            .map((one) => overOf(one, today()))
            .filter(Boolean)
            .join(' ')}
      </SmallPrint>
      {open && (
        <Stack py="8px">
          {choices.map(({ dimension, fitting, offered }) => (
            <InstrumentChoice
              key={dimension}
              label={`For ${dimensionWords(dimension)}`}
              instruments={fitting}
              chosen={offered}
              words={(instrument) => instrumentWords(instrument, dimension, today())}
              onChoose={(id) => habits.useInstrument(dimension, id)}
            />
          ))}
        </Stack>
      )}
      {scanning && <Scanner title="an instrument" onCode={byLabel} onClose={() => setScanning(false)} />}
    </Box>
  )
}, alike)

/** What is read in a stage. */
export const dimensionsOf = (checks: readonly JudgedCheck[]): Dimension[] => [
  ...new Set(
    checks.flatMap(({ check: { ask }, outcome }) =>
      ask.kind === 'reading' && outcome.verdict !== 'not-applicable' ? [ask.dimension] : [],
    ),
  ),
]

const overOf = (instrument: Instrument, today: string): string =>
  outOfCalibration(instrument, today)
    ? `The calibration of ${instrument.name} ended ${instrument.calibratedUntil}: what it reads proves nothing.`
    : ''
