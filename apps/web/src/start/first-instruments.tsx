import { Box, Button, Grid, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import {
  CARRIED_INSTRUMENTS,
  INSTRUMENT_NAMES,
  USUAL_ACCURACY,
  accuracyWords,
  capital,
  plural,
  type CarriedInstrument,
  type Instrument,
} from '@plumb-mark/core'
import { post } from '../data/api.js'
import { useReload, useResource } from '../data/resource.js'
import { Problem } from '../ui/problem.js'
import { TextField } from '../ui/text-field.js'
import { Note, SmallPrint, Strong } from '../ui/theme/text.js'

const ADDRESS = '/api/instruments'

interface Wish {
  serial: string
  calibratedUntil: string
}
const NOTHING: Wish = { serial: '', calibratedUntil: '' }

/** One of each kind with what it is usually good to; a serial and the last day of its calibration make it an instrument. */
export function FirstInstruments() {
  const { value: kept = [] } = useResource<Instrument[]>(ADDRESS)
  const reload = useReload()
  const [wishes, setWishes] = useState<Partial<Record<CarriedInstrument, Wish>>>({})
  const [problem, setProblem] = useState('')
  const having = new Set(kept.map(({ kind }) => kind))
  const open = CARRIED_INSTRUMENTS.filter((kind) => !having.has(kind))
  const ready = open.filter((kind) => wishes[kind]?.serial.trim() && wishes[kind].calibratedUntil)
  /** What comes back from one laboratory on one day is typed once, and then touched. */
  const days = open.flatMap((kind) => wishes[kind]?.calibratedUntil || [])
  const dayFor = (kind: CarriedInstrument) =>
    wishes[kind]?.serial.trim() && !wishes[kind].calibratedUntil ? days.at(-1) : undefined
  const set = (kind: CarriedInstrument, part: Partial<Wish>) =>
    setWishes({ ...wishes, [kind]: { ...NOTHING, ...wishes[kind], ...part } })
  const add = async () => {
    const instruments = ready.map((kind): Instrument => ({
      id: `instrument-${uuid()}`,
      name: capital(INSTRUMENT_NAMES[kind]),
      kind,
      serial: wishes[kind]!.serial.trim(),
      calibratedUntil: wishes[kind]!.calibratedUntil,
      accuracy: [...USUAL_ACCURACY[kind]],
    }))
    try {
      await post(`${ADDRESS}/import`, { instruments })
      await reload(ADDRESS)
      setProblem('')
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <Stack>
      <Note>
        Type serial and calibration of what you have. The uncertainty is what such an instrument is usually
        good to: correct it from its certificate under Instruments.
      </Note>
      {having.size > 0 && (
        <Note>Here already: {[...having].map((kind) => INSTRUMENT_NAMES[kind]).join(', ')}.</Note>
      )}
      {open.map((kind) => (
        <Grid
          key={kind}
          templateColumns={{ base: '1fr 1fr', md: '1.4fr 1fr 180px' }}
          gap="10px"
          alignItems="end"
          role="group"
          aria-label={INSTRUMENT_NAMES[kind]}
        >
          <Box gridColumn={{ base: '1 / -1', md: 'auto' }}>
            <Strong>{capital(INSTRUMENT_NAMES[kind])}</Strong>
            <SmallPrint>{USUAL_ACCURACY[kind].map(accuracyWords).join('; ')}</SmallPrint>
          </Box>
          <TextField
            label="Serial"
            value={wishes[kind]?.serial ?? ''}
            onChange={(serial) => set(kind, { serial })}
          />
          <TextField
            label="Calibrated until"
            type="date"
            value={wishes[kind]?.calibratedUntil ?? ''}
            onChange={(calibratedUntil) => set(kind, { calibratedUntil })}
          />
          {dayFor(kind) && (
            <Button
              variant="outline"
              gridColumn="1 / -1"
              justifySelf="end"
              onClick={() => set(kind, { calibratedUntil: dayFor(kind)! })}
            >
              Calibrated until {dayFor(kind)} as well
            </Button>
          )}
        </Grid>
      ))}
      <Problem>{problem}</Problem>
      <Button alignSelf="start" disabled={ready.length === 0} onClick={() => void add()}>
        {ready.length === 0 ? 'Add the instruments' : `Add ${plural(ready.length, 'instrument')}`}
      </Button>
    </Stack>
  )
}
