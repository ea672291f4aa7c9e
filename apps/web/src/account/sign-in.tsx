import { Button, Input, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { SignInDto } from '@plumb-mark/contract'
import { dtoResolver } from '../ui/dto-resolver.js'
import { Field } from '../ui/field.js'
import { Door } from './door.js'
import { signIn } from '../offline/sign-in.js'

/** The way in, at whatever address: who was in the middle of something goes on there. */
export function SignIn() {
  const [refused, setRefused] = useState('')
  const { register, handleSubmit, formState } = useForm<SignInDto>({
    resolver: dtoResolver(({ SignInDto: of }) => of),
    defaultValues: { email: '', password: '' },
  })
  const submit = handleSubmit(async ({ email, password }) => {
    setRefused('')
    try {
      await signIn(email, password)
    } catch (problem) {
      setRefused((problem as Error).message)
    }
  })
  return (
    <Door title="Plumb Mark">
      <Stack as="form" gap="18px" onSubmit={(event) => void submit(event)}>
        <Text color="faint">
          Type what the tape, the driver and the meter say, and know at once whether it is right.
        </Text>
        <Field label="E-mail" problem={formState.errors.email?.message}>
          {(ids) => <Input {...ids} {...register('email')} type="email" autoComplete="username" autoFocus />}
        </Field>
        <Field label="Password" problem={formState.errors.password?.message ?? (refused || undefined)}>
          {(ids) => (
            <Input {...ids} {...register('password')} type="password" autoComplete="current-password" />
          )}
        </Field>
        <Button type="submit" loading={formState.isSubmitting}>
          Sign in
        </Button>
      </Stack>
    </Door>
  )
}
