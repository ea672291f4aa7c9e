import { Button, Flex, Grid, Input, Stack, Textarea } from '@chakra-ui/react'
import { useForm } from 'react-hook-form'
import type { DefectAmendedDto } from '@plumb-mark/contract'
import { SEVERITIES, SEVERITY_MEANS, type Defect, type Severity } from '@plumb-mark/core'
import { useSession } from '../data/session.js'
import { dtoResolver } from '../ui/dto-resolver.js'
import { Field } from '../ui/field.js'
import { Select } from '../ui/select.js'
import { useInspection } from '../job/inspection.js'
import { Danger } from '../ui/theme/text.js'

const asDto = dtoResolver(({ DefectAmendedDto: of }) => of)

/** What is said of a defect, by when it is put right and by whom; what it was before stays in the record. */
export function AmendForm({ defect, onDone }: { defect: Defect; onDone: () => void }) {
  const append = useInspection((state) => state.append)
  const refusal = useInspection((state) => state.refusal)
  const person = useSession((session) => session.person)!
  const { severity, place, finding, remedy, due = '', responsible = '' } = defect
  const before = { severity, place, finding, remedy, due, responsible }
  const { register, handleSubmit, watch, formState } = useForm<DefectAmendedDto>({
    resolver: (values, ...rest) => asDto(changed(values, before), ...rest),
    defaultValues: { defectId: defect.id, ...before, reason: '' },
  })
  const chosen = watch('severity') as Severity
  const otherSeverity = chosen !== severity
  const save = handleSubmit((words) => {
    if (Object.keys(words).length === 1) return onDone()
    if (append(person, { kind: 'defect-amended', body: words })) onDone()
  })
  return (
    <Stack
      as="form"
      gap="10px"
      maxW="620px"
      aria-label="Edit the defect"
      onSubmit={(event) => void save(event)}
    >
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }} gap="10px">
        <Field label="Severity" hint={SEVERITY_MEANS[chosen]}>
          {(ids) => (
            <Select {...ids} {...register('severity')} disabled={person.role === 'office'}>
              {SEVERITIES.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Due" problem={formState.errors.due?.message}>
          {(ids) => <Input {...ids} type="date" {...register('due')} />}
        </Field>
        <Field label="Responsible" problem={formState.errors.responsible?.message}>
          {(ids) => <Input {...ids} {...register('responsible')} autoComplete="off" />}
        </Field>
      </Grid>
      {otherSeverity && (
        <Field label={`Why ${chosen} and not ${severity}?`} problem={formState.errors.reason?.message}>
          {(ids) => <Input {...ids} {...register('reason')} required autoComplete="off" />}
        </Field>
      )}
      <Field label="Place" problem={formState.errors.place?.message}>
        {(ids) => <Input {...ids} {...register('place')} autoComplete="off" />}
      </Field>
      <Field label="What was found" problem={formState.errors.finding?.message}>
        {(ids) => <Textarea {...ids} {...register('finding')} rows={2} />}
      </Field>
      <Field label="Remedy" problem={formState.errors.remedy?.message}>
        {(ids) => <Textarea {...ids} {...register('remedy')} rows={2} />}
      </Field>
      {refusal && <Danger>{refusal}</Danger>}
      <Flex gap="10px">
        <Button type="submit">Save</Button>
        <Button variant="plain" onClick={onDone}>
          Cancel
        </Button>
      </Flex>
    </Stack>
  )
}

type Words = Record<'severity' | 'place' | 'finding' | 'remedy' | 'due' | 'responsible', string>

/** What of it is said otherwise now; the reason goes with another severity alone. */
function changed(values: DefectAmendedDto, before: Words): DefectAmendedDto {
  const names = Object.keys(before) as (keyof Words)[]
  const words = names
    .filter((name) => (values[name] ?? '').trim() !== '' && values[name]!.trim() !== before[name])
    .map((name) => [name, values[name]!.trim()])
  const reason = values.reason?.trim()
  return {
    defectId: values.defectId,
    ...Object.fromEntries(words),
    ...(values.severity !== before.severity && reason && { reason }),
  } as DefectAmendedDto
}
