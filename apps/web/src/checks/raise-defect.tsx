import { Box, Button, Input, Stack, Textarea } from '@chakra-ui/react'
import { useForm } from 'react-hook-form'
import { v7 as uuid } from 'uuid'
import type { DefectRaisedDto } from '@plumb-mark/contract'
import {
  SEVERITIES,
  SEVERITY_MEANS,
  isMilder,
  type JudgedCheck,
  type PhotoRef,
  type ProposedDefect,
  type Severity,
} from '@plumb-mark/core'
import { useState } from 'react'
import { useSession } from '../data/session.js'
import { dtoResolver } from '../ui/dto-resolver.js'
import { Field } from '../ui/field.js'
import { Select } from '../ui/select.js'
import { useInspection } from '../job/inspection.js'
import { PhotoPicker } from './photo-picker.js'
import { Strong } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

/** The defect that the failed check offers, already written; the inspector confirms or amends it. */
export function RaiseDefect({
  judged,
  proposal,
  onDone,
}: {
  judged: JudgedCheck
  proposal: ProposedDefect
  onDone: () => void
}) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const [photos, setPhotos] = useState<PhotoRef[]>([])
  const { register, handleSubmit, watch, formState } = useForm<DefectRaisedDto>({
    resolver: dtoResolver(({ DefectRaisedDto: of }) => of),
    defaultValues: { ...proposal, defectId: uuid(), checkId: judged.check.id },
  })
  const milder = isMilder(watch('severity') as Severity, proposal.severity)
  const raise = handleSubmit(({ note, ...defect }) => {
    const kept = append(person!, {
      kind: 'defect-raised',
      body: {
        ...defect,
        severity: defect.severity as Severity,
        ...(note?.trim() && { note: note.trim() }),
        ...(photos.length > 0 && { photos }),
      },
    })
    if (kept) onDone()
  })
  return (
    <Stack
      as="form"
      gap="10px"
      bg="dangerWash"
      p="12px"
      borderRadius="4px"
      onSubmit={(event) => void raise(event)}
      aria-label="Raise a defect"
    >
      <Strong>Defect: {proposal.finding}</Strong>
      <Field label="Place" problem={formState.errors.place?.message}>
        {(ids) => <Input {...ids} {...register('place')} autoComplete="off" />}
      </Field>
      <Field label="Severity" hint={SEVERITY_MEANS[watch('severity') as Severity]}>
        {(ids) => (
          <Select {...ids} {...register('severity')}>
            {SEVERITIES.map((severity) => (
              <option key={severity}>{severity}</option>
            ))}
          </Select>
        )}
      </Field>
      {milder && (
        <Field
          label={`Why less than ${proposal.severity}?`}
          hint={proposal.severity === 'stop' ? 'Only the reviewer may lower a stop.' : undefined}
        >
          {(ids) => <Input {...ids} {...register('note')} required autoComplete="off" />}
        </Field>
      )}
      <Field label="Remedy" problem={formState.errors.remedy?.message}>
        {(ids) => <Textarea {...ids} {...register('remedy')} rows={3} />}
      </Field>
      <Cluster>
        <Button type="submit" bg="danger">
          Raise the defect
        </Button>
        <Box flex="1">
          <PhotoPicker photos={photos} onChange={setPhotos} />
        </Box>
      </Cluster>
    </Stack>
  )
}
