import { outOfCalibration, type Instrument } from '@plumb-mark/core'
import { useSiteTime } from '../job/site-time.js'
import { ChoiceField } from '../ui/choice-field.js'

interface Props {
  label?: string
  instruments: readonly Instrument[]
  chosen: Instrument | undefined
  onChoose: (id: string) => void
  /** How one is shown; its name where this is silent. */
  words?: (instrument: Instrument) => string
}

/** What was read with; an instrument whose calibration ran out says so at once. */
export function InstrumentChoice({
  label = 'Instrument',
  instruments,
  chosen,
  onChoose,
  words = ({ name }) => name,
}: Props) {
  const { today } = useSiteTime()
  const over = chosen && outOfCalibration(chosen, today())
  return (
    <ChoiceField
      label={label}
      problem={over ? `Its calibration ended ${chosen.calibratedUntil}` : undefined}
      value={chosen?.id ?? ''}
      options={[['', 'choose the instrument'], ...instruments.map((one) => [one.id, words(one)] as const)]}
      hint={chosen ? undefined : 'A reading proves nothing until it is chosen.'}
      onChange={onChoose}
    />
  )
}
