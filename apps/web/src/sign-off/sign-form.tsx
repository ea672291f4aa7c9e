import { Button, Input, Stack, Text } from '@chakra-ui/react'
import { useEffect } from 'react'
import { useForm } from 'react-hook-form'
import type { SignedDto } from '@plumb-mark/contract'
import type { Inspection } from '@plumb-mark/core'
import { Note } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { dtoResolver } from '../ui/dto-resolver.js'
import { Field } from '../ui/field.js'
import { SignaturePad } from '../ui/signature-pad.js'
import { useInspection } from '../job/inspection.js'

const STATEMENT =
  'I have read this record. What was inspected conforms to the makers’ sheets named in it, save for what it lists as open. I sign within the limits of my licence and the local code.'

/** Licence number and drawn signature; signing seals the head of the chain that was shown. */
export function SignForm({ inspection }: { inspection: Inspection }) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)!
  const head = inspection.state.head?.hash ?? ''
  const { register, handleSubmit, setValue, formState } = useForm<SignedDto>({
    resolver: dtoResolver(({ SignedDto: of }) => of),
    defaultValues: { licence: '', statement: STATEMENT, drawing: '', sealedHead: head },
  })
  useEffect(() => setValue('sealedHead', head), [head, setValue])
  const sign = handleSubmit((body) => append(person, { kind: 'signed', body: { ...body } }))
  return (
    <Stack as="form" gap="14px" maxW="520px" onSubmit={(event) => void sign(event)}>
      <Text>{STATEMENT}</Text>
      <Field label="Licence number" problem={formState.errors.licence?.message}>
        {(ids) => <Input {...ids} {...register('licence')} autoComplete="off" />}
      </Field>
      <Field label="Signature" problem={formState.errors.drawing?.message}>
        {() => <SignaturePad onDrawn={(drawing) => setValue('drawing', drawing)} />}
      </Field>
      <Button type="submit">Sign and seal</Button>
      <Note>After this nothing in the job can be changed through any route.</Note>
    </Stack>
  )
}
