import { chakra } from '@chakra-ui/react'
import { useEffect, useMemo, useRef, useState, type ComponentType } from 'react'
import {
  carriedWord,
  inForce,
  judgeAnswer,
  outOfCalibration,
  suitable,
  type Answer,
  type FormName,
  type Instrument,
  type InstrumentKind,
  type JudgedCheck,
  type Outcome,
  type PhotoRef,
  heldBy,
  type Defect,
} from '@plumb-mark/core'
import { TextField } from '../../ui/text-field.js'
import { useInspection } from '../../job/inspection.js'
import { useSiteTime } from '../../job/site-time.js'
import { useCommit } from '../../job/use-commit.js'
import { InstrumentChoice } from '../instrument-choice.js'
import { PhotoPicker } from '../photo-picker.js'
import { BusForm } from './bus-form.js'
import { ChainForm } from './chain-form.js'
import { ChoiceForm } from './choice-form.js'
import { useDraftAnswer } from './draft-answer.js'
import { FieldsForm } from './fields-form.js'
import type { FormProps } from './form-props.js'
import { OrderForm } from './order-form.js'
import { PhotosForm } from './photos-form.js'
import { SeriesForm } from './series-form.js'
import { StatementForm } from './statement-form.js'
import { StepsForm } from './steps-form.js'
import { TraceForm } from './trace-form.js'
import { SwitchesForm } from './switches-form.js'
import { Cluster } from '../../ui/cluster.js'
import { SmallDanger } from '../../ui/theme/text.js'
import { HandButton } from '../../ui/buttons.js'

const FORMS: { [F in FormName]: ComponentType<FormProps<F>> } = {
  choice: ChoiceForm,
  fields: FieldsForm,
  series: SeriesForm,
  order: OrderForm,
  steps: StepsForm,
  switches: SwitchesForm,
  photos: PhotosForm,
  statement: StatementForm,
  chain: ChainForm,
  bus: BusForm,
  trace: TraceForm,
}

/** A touch is the whole answer: it is kept at once. */
const AT_ONCE: readonly FormName[] = ['choice', 'statement']

/** An answer of several parts: begun from what is kept, judged at every change, kept with one button. */
export function RecordField({
  judged: { check, history },
  onTrial,
  onDone,
}: {
  judged: JudgedCheck
  onTrial: (outcome: Outcome | undefined) => void
  onDone: () => void
}) {
  const { ask } = check
  if (ask.kind !== 'record') throw new Error('a record field is for records')
  const commit = useCommit()
  const context = useInspection((state) => state.inspection?.context)
  const current = inForce(history)
  const before = current?.kind === 'record' ? current.body : undefined
  const [answer, setAnswer] = useState<Answer | undefined>(before?.answer)
  const [touched, setTouched] = useState(false)
  const [photos, setPhotos] = useState<PhotoRef[]>([...(before?.photos ?? [])])
  const [note, setNote] = useState('')
  const { instrument, fitting, choose } = useInstrumentOf(ask.instrument, before?.instrument)
  const trial = useMemo(
    () =>
      touched && answer && context
        ? judgeAnswer(check, answer, { instrument, photos: photos.length }, context)
        : undefined,
    [touched, answer, check, instrument, photos.length, context],
  )
  useEffect(() => onTrial(trial?.ok ? trial.outcome : undefined), [trial, onTrial])
  useEffect(() => () => onTrial(undefined), [onTrial])

  const keep = (given: Answer | undefined) => {
    if (!given || !context) return
    const judgedNow = judgeAnswer(check, given, { instrument, photos: photos.length }, context)
    if (!judgedNow.ok) return
    const word = carriedWord(before, given)
    const kept = commit({
      kind: 'record',
      body: {
        point: check.point,
        answer: given,
        ...(word && { word }),
        ...(instrument && { instrument }),
        ...(note && { note }),
        ...(photos.length > 0 && { photos }),
      },
    })
    if (!kept) return
    setTouched(false)
    if (judgedNow.outcome.verdict === 'conforms') onDone()
  }
  /** Of an answer that is kept and not being changed, a photo belongs to it at once. */
  const takePhotos = (next: PhotoRef[]) => {
    const fresh = next.filter(({ id }) => !photos.some((one) => one.id === id))
    const belongs = current && !touched && fresh.length > 0
    const kept = belongs && commit({ kind: 'photos-added', body: { entryId: current.id, photos: fresh } })
    setPhotos(next)
    if (!kept) setTouched(true)
  }
  const show = useDraftAnswer((state) => state.show)
  useEffect(() => () => show(undefined, undefined), [show])
  // What the picture keeps meanwhile goes on from this draft, and is gone on from here.
  const keptId = useRef(current?.id)
  useEffect(() => {
    if (keptId.current === current?.id) return
    keptId.current = current?.id
    setAnswer(before?.answer)
    setTouched(false)
    show(undefined, undefined)
  }, [current?.id, before?.answer, show])
  const change = (next: Answer | undefined) => {
    setAnswer(next)
    show(check.id, next)
    setTouched(true)
    if (AT_ONCE.includes(ask.form)) keep(next)
  }
  const Shown = FORMS[ask.form] as ComponentType<{
    form: typeof ask
    answer: Answer | undefined
    onChange: (answer: Answer | undefined) => void
    held: readonly Defect[]
  }>
  const defects = useInspection(({ inspection }) => inspection?.defects) ?? []
  // The keyboard goes on from check to check: the first thing to answer has the focus.
  const form = useRef<HTMLFormElement>(null)
  useEffect(
    () =>
      form.current
        ?.querySelector<HTMLElement>('input:not([type=file]), select, button')
        ?.focus({ preventScroll: true }),
    [],
  )
  return (
    <chakra.form
      ref={form}
      display="flex"
      flexDirection="column"
      gap="12px"
      onSubmit={(event) => (event.preventDefault(), keep(answer))}
    >
      <Shown form={ask} answer={answer} onChange={change} held={heldBy(check, defects)} />
      {trial && !trial.ok && <SmallDanger role="alert">{trial.problem}</SmallDanger>}
      {ask.instrument && (
        <InstrumentChoice
          instruments={fitting}
          chosen={instrument}
          onChoose={(id) => (choose(id), setTouched(true))}
        />
      )}
      <TextField label="Note" value={note} onChange={setNote} />
      <Cluster>
        {!AT_ONCE.includes(ask.form) && (
          <HandButton
            type="submit"
            minW="110px"
            disabled={!touched || !answer || (trial !== undefined && !trial.ok)}
          >
            Save
          </HandButton>
        )}
        <PhotoPicker photos={photos} onChange={takePhotos} />
      </Cluster>
    </chakra.form>
  )
}

/** The instruments of the kind that is asked for, and the one in use: the one of the last answer, else the only one in calibration. */
function useInstrumentOf(kind: InstrumentKind | undefined, before: Instrument | undefined) {
  const instruments = useInspection((state) => state.instruments)
  const fitting = instruments.filter((instrument) =>
    suitable(instrument, { kind: 'record', instrument: kind }),
  )
  const [chosen, choose] = useState<string | undefined>(before?.id)
  const today = useSiteTime().today()
  const usable = fitting.filter((instrument) => !outOfCalibration(instrument, today))
  const instrument =
    kind === undefined
      ? undefined
      : chosen === undefined
        ? usable.find((one) => one.kind === kind)
        : fitting.find(({ id }) => id === chosen)
  return { instrument, fitting, choose }
}
