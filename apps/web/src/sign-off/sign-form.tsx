import { Button, Flex, Input, Stack, Text, chakra } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useForm } from 'react-hook-form'
import type { SignedDto, SignedIn } from '@plumb-mark/contract'
import { countWords, fingerprint, isOpen, statedAbsences, type Inspection } from '@plumb-mark/core'
import { Danger, Note, PartHeading } from '../ui/theme/text.js'
import { useResource } from '../data/resource.js'
import { useSession } from '../data/session.js'
import { dtoResolver } from '../ui/dto-resolver.js'
import { Field } from '../ui/field.js'
import { Problem } from '../ui/problem.js'
import { SignaturePad } from '../ui/signature-pad.js'
import { useInspection } from '../job/inspection.js'

const STATEMENT =
  'I have read this record. What was inspected conforms to the makers’ sheets named in it, save for what it lists as open. I sign within the limits of my licence and the local code.'

/** Licence number and signature; then once more what is about to be sealed, which cannot be undone. */
export function SignForm({ inspection }: { inspection: Inspection }) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)!
  const { value: account } = useResource<SignedIn>('/api/session')
  const licence = account?.licence
  const [ready, setReady] = useState<SignedDto>()
  const head = inspection.state.head?.hash ?? ''
  const { register, handleSubmit, setValue, formState } = useForm<SignedDto>({
    resolver: dtoResolver(({ SignedDto: of }) => of),
    defaultValues: { licence: '', statement: STATEMENT, drawing: '', sealedHead: head },
  })
  useEffect(() => setValue('sealedHead', head), [head, setValue])
  useEffect(() => {
    if (licence) setValue('licence', licence)
  }, [licence, setValue])
  if (ready)
    return (
      <BeforeTheSeal
        inspection={inspection}
        moved={ready.sealedHead !== head}
        onBack={() => setReady(undefined)}
        onSeal={() => append(person, { kind: 'signed', body: { ...ready } })}
      />
    )
  return (
    <Stack
      as="form"
      gap="14px"
      maxW="520px"
      aria-label="Sign"
      onSubmit={(event) => void handleSubmit((body) => setReady({ ...body }))(event)}
    >
      <Text>{STATEMENT}</Text>
      <Field
        label="Licence number"
        problem={formState.errors.licence?.message}
        hint={
          licence ? 'As the office keeps it with your account.' : 'The office can keep it with your account.'
        }
      >
        {(ids) => <Input {...ids} {...register('licence')} readOnly={!!licence} autoComplete="off" />}
      </Field>
      <Field label="Signature" problem={formState.errors.drawing?.message}>
        {() => <SignaturePad name={person.name} onDrawn={(drawing) => setValue('drawing', drawing)} />}
      </Field>
      <Problem>{formState.errors.sealedHead?.message ?? formState.errors.statement?.message}</Problem>
      <Button type="submit">Go on to the seal</Button>
    </Stack>
  )
}

/** One screen that says what is sealed and what cannot be undone after it. */
function BeforeTheSeal({
  inspection,
  moved,
  onBack,
  onSeal,
}: {
  inspection: Inspection
  moved: boolean
  onBack: () => void
  onSeal: () => void
}) {
  const { checks, defects, state } = inspection
  const open = defects.filter(isOpen).length
  const absences = statedAbsences(inspection).length
  return (
    <Stack gap="12px" maxW="620px" role="region" aria-label="Before the seal">
      <PartHeading>This cannot be undone</PartHeading>
      <chakra.ul pl="20px" fontSize="17px" lineHeight={1.5}>
        <li>
          {checks.length} checks: {countWords(checks.map(({ outcome }) => outcome.verdict))}
        </li>
        <li>
          {open === 0 ? 'No defect is open' : `${open} open defects and notes are listed in the record`}
        </li>
        {absences > 0 && <li>{absences} things are said not to be there, or not to apply</li>}
        <li>Nothing in the job can be changed after this, by anybody, through any route</li>
        <li>What has to be inspected later is inspected again, in a job of its own</li>
      </chakra.ul>
      <Note>Fingerprint of what is sealed: {fingerprint(state.head?.hash ?? '')}</Note>
      {moved && <Danger>Something was entered since you signed: go back and read the record again.</Danger>}
      <Flex gap="10px">
        <Button disabled={moved} onClick={onSeal}>
          Sign and seal
        </Button>
        <Button variant="plain" onClick={onBack}>
          Back
        </Button>
      </Flex>
    </Stack>
  )
}
