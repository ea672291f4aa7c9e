import { Button, Stack, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { DefectStepDto } from '@plumb-mark/contract'
import type { Defect, DefectStepName, PhotoRef } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { dtoResolver } from '../ui/dto-resolver.js'
import { PhotoPicker } from '../checks/photo-picker.js'
import { Field } from '../ui/field.js'
import { useInspection } from '../job/inspection.js'
import { Cluster } from '../ui/cluster.js'

const ASKED = {
  reworked: 'What was done?',
  'taken-back': 'Why is it taken back?',
  'sent-back': 'Why is it sent back?',
  closed: 'What was seen?',
  withdrawn: 'Why is it withdrawn?',
} satisfies Record<DefectStepName, string>

/** Takes a step with a note and, where it helps, a photo. */
export function StepForm({
  defect,
  step,
  verb,
  onDone,
}: {
  defect: Defect
  step: DefectStepName
  verb: string
  onDone: () => void
}) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)!
  const [photos, setPhotos] = useState<PhotoRef[]>([])
  const { register, handleSubmit, setValue, formState } = useForm<DefectStepDto>({
    resolver: dtoResolver(({ DefectStepDto: of }) => of),
    defaultValues: { defectId: defect.id, step, note: '' },
  })
  const asAsked = () => setValue('note', `As asked: ${defect.remedy}`, { shouldValidate: true })
  const take = handleSubmit(({ note }) => {
    append(person, {
      kind: 'defect-step',
      body: { defectId: defect.id, step, note, ...(photos.length > 0 && { photos }) },
    })
    onDone()
  })
  return (
    <Stack as="form" gap="10px" onSubmit={(event) => void take(event)} maxW="560px">
      <Field label={ASKED[step]} problem={formState.errors.note?.message}>
        {(ids) => <Textarea {...ids} {...register('note')} rows={2} autoFocus />}
      </Field>
      {step === 'reworked' && (
        <Button variant="outline" alignSelf="start" h="auto" py="8px" whiteSpace="normal" onClick={asAsked}>
          As asked: {defect.remedy}
        </Button>
      )}
      <Cluster>
        <PhotoPicker photos={photos} onChange={setPhotos} />
        <Button type="submit">{verb}</Button>
        <Button variant="plain" onClick={onDone}>
          Cancel
        </Button>
      </Cluster>
    </Stack>
  )
}
