import { Button, Flex, HStack, Input, Stack } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import {
  accuracyOf,
  judgeTyped,
  parseQuantity,
  type Condition,
  type Dimension,
  type Instrument,
  type JudgedCheck,
  type Outcome,
  type PhotoRef,
} from '@plumb-mark/core'
import { Field } from '../../marks/field.js'
import { choiceOf, useHabits } from '../../store/habits.js'
import { useDecimal } from '../../store/decimal.js'
import { useInspection } from '../../store/inspection.js'
import { useMake } from '../use-make.js'
import { InstrumentChoice } from './instrument-choice.js'
import { PhotoPicker } from './photo-picker.js'

const CONDITION_FIELDS = {
  cellTemperature: { label: 'Cell temperature', dimension: 'temperature', placeholder: '31 °C' },
  irradiance: { label: 'Irradiance', dimension: 'irradiance', placeholder: '640 W/m²' },
  testVoltage: { label: 'Test voltage', dimension: 'voltage', placeholder: '1000 V' },
} as const satisfies Record<Condition, object>

/** The big field: any unit, the verdict at every keystroke, Enter keeps it and goes on. */
export function ReadingField({
  judged: { check },
  onTrial,
  onDone,
}: {
  judged: JudgedCheck
  onTrial: (outcome: Outcome | undefined) => void
  onDone: () => void
}) {
  if (check.ask.kind !== 'reading') throw new Error('a reading field is for readings')
  const { dimension, unit } = check.ask
  const { instruments, inspection } = useInspection()
  const make = useMake()
  const habits = useHabits()
  const [typed, setTyped] = useState('')
  const [photos, setPhotos] = useState<PhotoRef[]>([])
  const { fitting, offered } = choiceOf(instruments, dimension, habits.instruments[dimension])
  const conditions = useConditions(check.ask.conditions)
  const decimal = useDecimal((state) => state.decimal)
  const typing = typed.trim() !== ''
  const trial = useMemo(
    () =>
      typing && inspection
        ? judgeTyped(
            check,
            typed,
            { instrument: offered, conditions: conditions.values },
            inspection.around,
            {
              decimal,
            },
          )
        : undefined,
    [typing, typed, check, inspection, offered, conditions.values, decimal],
  )
  useEffect(() => onTrial(trial?.ok ? trial.outcome : undefined), [trial, onTrial])
  useEffect(() => () => onTrial(undefined), [onTrial])

  const keep = () => {
    if (!trial?.ok) return
    const { value, unit: typedUnit, relation } = trial.reading
    const kept = make({
      kind: 'reading',
      body: {
        point: check.point,
        typed: trial.reading.typed,
        value,
        unit: typedUnit,
        relation,
        ...(offered && { instrument: offered }),
        ...(check.ask.kind === 'reading' &&
          check.ask.conditions.length > 0 && { conditions: conditions.values }),
        ...(photos.length > 0 && { photos }),
      },
    })
    if (!kept) return
    setTyped('')
    setPhotos([])
    if (trial.outcome.verdict === 'conforms') onDone()
  }
  return (
    <Stack as="form" gap="10px" onSubmit={(event) => (event.preventDefault(), keep())}>
      <Flex gap="8px" align="flex-end">
        <Stack flex="1">
          <Field
            label={`Reading${unit ? `, ${unit} unless you type another unit` : ''}`}
            problem={trial && !trial.ok ? trial.problem.message : undefined}
          >
            {(ids) => (
              <Input
                {...ids}
                value={typed}
                onChange={(event) => setTyped(event.target.value)}
                autoFocus
                autoComplete="off"
                inputMode="text"
                h="60px"
                fontSize="30px"
                fontFamily="mono"
                px="14px"
                placeholder={unit}
              />
            )}
          </Field>
        </Stack>
        <Button type="submit" h="60px" disabled={!trial?.ok}>
          Save
        </Button>
      </Flex>
      <InstrumentChoice
        instruments={fitting}
        chosen={offered}
        words={(instrument) => accuracyWords(instrument, dimension)}
        onChoose={(id) => habits.useInstrument(dimension, id)}
      />
      {check.ask.conditions.length > 0 && (
        <HStack gap="10px" align="flex-start">
          {check.ask.conditions.map((condition) => (
            <Field
              key={condition}
              label={CONDITION_FIELDS[condition].label}
              problem={conditions.problems[condition]}
            >
              {(ids) => (
                <Input
                  {...ids}
                  value={habits.conditions[condition] ?? ''}
                  placeholder={CONDITION_FIELDS[condition].placeholder}
                  onChange={(event) => habits.note(condition, event.target.value)}
                />
              )}
            </Field>
          ))}
        </HStack>
      )}
      <PhotoPicker photos={photos} onChange={setPhotos} />
    </Stack>
  )
}

function accuracyWords(instrument: Instrument, dimension: Dimension): string {
  const { percent, plus } = accuracyOf(instrument, dimension)!
  return `${instrument.name} (±${[percent > 0 ? `${percent} %` : '', plus > 0 ? `${plus}` : ''].filter(Boolean).join(' + ') || '0'})`
}

/** Temperature and light as last noted, in canonical units, and what is wrong with them. */
function useConditions(wanted: readonly Condition[]) {
  const typed = useHabits((habits) => habits.conditions)
  const decimal = useDecimal((state) => state.decimal)
  return useMemo(() => {
    const values: Partial<Record<Condition, number>> = {}
    const problems: Partial<Record<Condition, string>> = {}
    for (const condition of wanted) {
      const text = typed[condition]?.trim()
      if (!text) continue
      const parsed = parseQuantity(text, CONDITION_FIELDS[condition].dimension, { decimal })
      if (parsed.ok) values[condition] = parsed.quantity.value
      else problems[condition] = parsed.problem.message
    }
    return { values, problems }
  }, [wanted, typed, decimal])
}
