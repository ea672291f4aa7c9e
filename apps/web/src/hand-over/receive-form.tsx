import { Input, Stack } from '@chakra-ui/react'
import { useForm } from 'react-hook-form'
import type { HandedOverDto } from '@plumb-mark/contract'
import { dtoResolver } from '../ui/dto-resolver.js'
import { useCommit } from '../job/use-commit.js'
import { Note } from '../ui/theme/text.js'
import { Field } from '../ui/field.js'
import { SignaturePad } from '../ui/signature-pad.js'
import { HandButton } from '../ui/buttons.js'

/** Who receives it, whom they call, and their own signature on the spot. */
export function ReceiveForm() {
  const commit = useCommit()
  const { register, handleSubmit, setValue, formState } = useForm<HandedOverDto>({
    resolver: dtoResolver(({ HandedOverDto: of }) => of),
    defaultValues: { to: '', call: '', drawing: '' },
  })
  const { errors } = formState
  const receive = handleSubmit((body) => void commit({ kind: 'handed-over', body: { ...body } }))
  return (
    <Stack
      as="form"
      gap="12px"
      maxW="520px"
      onSubmit={(event) => void receive(event)}
      _print={{ display: 'none' }}
    >
      <Field label="Whom to call, with the number" problem={errors.call?.message}>
        {(ids) => <Input {...ids} {...register('call')} autoComplete="off" />}
      </Field>
      <Field label="Received by" problem={errors.to?.message}>
        {(ids) => <Input {...ids} {...register('to')} autoComplete="off" />}
      </Field>
      <Field label="Signature of who receives it" problem={errors.drawing?.message}>
        {() => <SignaturePad onDrawn={(drawing) => setValue('drawing', drawing)} />}
      </Field>
      <HandButton type="submit">Received</HandButton>
      <Note>Nothing is signed away with it: it says that the page was handed over and explained.</Note>
    </Stack>
  )
}
