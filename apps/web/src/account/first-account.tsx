import { Button, Input, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import type { FirstAccountDto } from '@plumb-mark/contract'
import { dtoResolver } from '../forms/dto-resolver.js'
import { post } from '../http/api.js'
import { Field } from '../marks/field.js'
import { Problem } from '../marks/problem.js'
import { Door } from './door.js'
import { useSession } from './session.js'

/** The first account of an installation that nobody has an account in: it belongs to the office, which lets the others in. */
export function FirstAccount() {
  const signIn = useSession((session) => session.signIn)
  const [refused, setRefused] = useState('')
  const { register, handleSubmit, formState } = useForm<FirstAccountDto>({
    resolver: dtoResolver(({ FirstAccountDto: of }) => of),
    defaultValues: { name: '', email: '', password: '' },
  })
  const { errors } = formState
  const submit = handleSubmit(async (wish) => {
    try {
      await post('/api/first-account', wish)
      await signIn(wish.email, wish.password)
    } catch (problem) {
      setRefused((problem as Error).message)
    }
  })
  return (
    <Door title="First account">
      <Text color="faint">
        Nobody has an account here yet. Make the first one, for the office: it lets everybody else in.
      </Text>
      <Stack as="form" gap="14px" onSubmit={(event) => void submit(event)}>
        <Field label="Name" problem={errors.name?.message}>
          {(ids) => <Input {...ids} {...register('name')} autoComplete="name" autoFocus />}
        </Field>
        <Field label="E-mail" problem={errors.email?.message}>
          {(ids) => <Input {...ids} {...register('email')} type="email" autoComplete="username" />}
        </Field>
        <Field label="Password, 12 characters or more" problem={errors.password?.message}>
          {(ids) => <Input {...ids} {...register('password')} type="password" autoComplete="new-password" />}
        </Field>
        <Button type="submit" loading={formState.isSubmitting}>
          Make the account
        </Button>
        <Problem>{refused}</Problem>
      </Stack>
    </Door>
  )
}
