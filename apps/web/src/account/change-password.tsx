import { Button, Input, Stack } from '@chakra-ui/react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { PasswordDto } from '@plumb-mark/contract'
import { dtoResolver } from '../ui/dto-resolver.js'
import { Page } from '../layout/page.js'
import { put } from '../data/api.js'
import { Field } from '../ui/field.js'
import { Section } from '../ui/section.js'
import { OwnSessions } from './own-sessions.js'
import { useSession } from '../data/session.js'
import { Faint } from '../ui/theme/text.js'

/** A person’s own account: where they are signed in, and their password; every session ends with a new one, this one too. */
export function ChangePassword() {
  const signInAgain = useSession((session) => session.signInAgain)
  const [refused, setRefused] = useState('')
  const { register, handleSubmit, formState } = useForm<PasswordDto>({
    resolver: dtoResolver(({ PasswordDto: of }) => of),
    defaultValues: { before: '', password: '' },
  })
  const { errors } = formState
  const change = handleSubmit(async (wish) => {
    try {
      await put('/api/session/password', wish)
      signInAgain()
    } catch (problem) {
      setRefused((problem as Error).message)
    }
  })
  return (
    <Page title="Your account" width="560px" problem={refused}>
      <OwnSessions />
      <Section title="Change password">
        <Stack as="form" gap="14px" mt="18px" onSubmit={(event) => void change(event)}>
          <Field label="Password that you have" problem={errors.before?.message}>
            {(ids) => (
              <Input {...ids} {...register('before')} type="password" autoComplete="current-password" />
            )}
          </Field>
          <Field label="New password, 12 characters or more" problem={errors.password?.message}>
            {(ids) => (
              <Input {...ids} {...register('password')} type="password" autoComplete="new-password" />
            )}
          </Field>
          <Button type="submit" loading={formState.isSubmitting}>
            Change it
          </Button>
          <Faint>All your sessions end, on every device: sign in again with the new one.</Faint>
        </Stack>
      </Section>
    </Page>
  )
}
