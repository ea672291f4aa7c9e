import { Button, Flex, Input, Stack, chakra } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import { judgeTyped, readingBody, type JudgedCheck, type Outcome } from '@plumb-mark/core'
import { Field } from '../ui/field.js'
import { choiceOf, useInputDefaults } from '../data/input-defaults.js'
import { useDecimal } from '../data/preferences.js'
import { useInspection } from '../job/inspection.js'
import { useCommit } from '../job/use-commit.js'
import { instrumentWords } from './instrument-words.js'
import { useSiteTime } from '../job/site-time.js'
import { ConditionFields, useConditions } from './conditions.js'
import { InstrumentChoice } from './instrument-choice.js'
import { FromPhoto, type OffPhoto } from './from-photo.js'
import { PhotoPicker } from './photo-picker.js'
import { usePhotos } from './use-photos.js'
import { HandButton } from '../ui/buttons.js'

/** Typed into an empty field it reads the same as at the last such check. */
const SAME_AGAIN = '='

/** The big field: any unit, the verdict at every keystroke, Enter keeps it and goes on. */
export function ReadingField({
  judged,
  onTrial,
  onDone,
}: {
  judged: JudgedCheck
  onTrial: (outcome: Outcome | undefined) => void
  onDone: () => void
}) {
  const { check } = judged
  if (check.ask.kind !== 'reading') throw new Error('a reading field is for readings')
  const { dimension, unit } = check.ask
  const { instruments, inspection } = useInspection()
  const commit = useCommit()
  const habits = useInputDefaults()
  const [typed, setTyped] = useState('')
  const [off, setOff] = useState<OffPhoto>()
  const { fitting, offered: inHand } = choiceOf(instruments, dimension, habits.instruments[dimension])
  const offered = off?.instrument ?? inHand
  const conditions = useConditions(check.ask.conditions)
  const decimal = useDecimal()
  const { today } = useSiteTime()
  const typing = typed.trim() !== ''
  const { photos, change: takePhotos, clear: clearPhotos } = usePhotos(judged, typing)
  const trial = useMemo(
    () =>
      typing && inspection
        ? judgeTyped(
            check,
            typed,
            { instrument: offered, conditions: conditions.values },
            inspection.context,
            {
              decimal,
            },
          )
        : undefined,
    [typing, typed, check, inspection, offered, conditions.values, decimal],
  )
  useEffect(() => onTrial(trial?.ok ? trial.outcome : undefined), [trial, onTrial])
  useEffect(() => () => onTrial(undefined), [onTrial])

  const keep = (judgement = trial) => {
    if (!judgement?.ok) return
    const body = readingBody(check, judgement, {
      instrument: offered,
      conditions: conditions.values,
      photos: off ? [...photos, off.photo] : photos,
      offPhoto: off?.reading,
    })
    const kept = commit({ kind: 'reading', body })
    if (!kept) return
    setTyped('')
    clearPhotos()
    // What a photo said of one place is not what the next reads.
    if (!off) habits.remember(check.requirement.id, judgement.reading.typed)
    setOff(undefined)
    if (judgement.outcome.verdict === 'conforms') onDone()
  }
  const again = habits.lastTyped[check.requirement.id]
  const judgeAgain = () =>
    again === undefined || !inspection
      ? undefined
      : judgeTyped(check, again, { instrument: offered, conditions: conditions.values }, inspection.context, {
          decimal,
        })
  // The key that reads the same again is one that begins no figure.
  const type = (text: string) =>
    text === SAME_AGAIN && again !== undefined ? keep(judgeAgain()) : (setTyped(text), setOff(undefined))
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
                onChange={(event) => type(event.target.value)}
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
        <HandButton type="submit" disabled={!trial?.ok}>
          Save
        </HandButton>
      </Flex>
      {again !== undefined && !typing && (
        <Button variant="outline" alignSelf="start" onClick={() => keep(judgeAgain())}>
          Same again: {again} <chakra.kbd color="faint">{SAME_AGAIN}</chakra.kbd>
        </Button>
      )}
      {dimension === 'length' && (
        <FromPhoto
          title={check.title}
          taken={off}
          onTaken={(taken) => {
            setOff(taken)
            setTyped(taken.typed)
          }}
        />
      )}
      {!off && (
        <InstrumentChoice
          instruments={fitting}
          chosen={offered}
          words={(instrument) => instrumentWords(instrument, dimension, today())}
          onChoose={(id) => habits.useInstrument(dimension, id)}
        />
      )}
      <ConditionFields wanted={check.ask.conditions} problems={conditions.problems} />
      <PhotoPicker photos={photos} onChange={takePhotos} />
    </Stack>
  )
}
